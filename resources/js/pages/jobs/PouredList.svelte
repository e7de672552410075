<script lang="ts">
    /** What of a link was built and poured so far, the newest first, and what is planned. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import { calendarDay, dayAndTime } from '../../lib/when';
    import type { JobView } from '../../types/server';
    import * as texts from './texts';

    let { link, job }: { link: JobView['chain'][number]; job: string } = $props();

    const states: Record<string, string> = {
        draft: 'sheet',
        running: 'being poured',
        waiting: 'curing',
        opened: 'open, not graded',
        graded: '',
        laid: 'laid, in its build',
        given_up: 'given up',
    };
</script>

<div class="card-paper">
    <h3 class="text-xl">{texts.pouredSoFar}</h3>
    {#each link.builds as built (built.id)}
        <p class="pour">
            <a class="link inline-block" href="/builds/{built.id}">{built.name}{built.copy === null ? '' : texts.copy2(built.copy)}</a>
            <span class="fig">{built.wanted_on === null ? '' : `for ${calendarDay(built.wanted_on)}`}</span>
            <span class="font-bold">{built.ended ? 'built' : built.began_ms === null ? 'planned' : 'being built'}</span>
        </p>
    {/each}
    <ul class="mt-2">
        {#each link.pours as pour (pour.id)}
            <li class="pour">
                <a class="link inline-block" href={pour.href}
                    >{pour.at_ms === null ? texts.nextPour : dayAndTime(pour.at_ms)}{pour.operation === 'pour'
                        ? ''
                        : `, ${pour.operation.replaceAll('-', ' ')}`}</a
                >
                <span class="fig">{pour.grams === null ? '' : measure(pour.grams, 'mass', bench.units)}</span>
                <span class="font-bold">{pour.grade ?? states[pour.state]}</span>
            </li>
        {:else}
            <li class="quiet">
                {link.pourable
                    ? 'Nothing yet. A pour sheet works out the volume, the formula and the cups.'
                    : 'An original is not poured: the first mould is taken from it.'}
            </li>
        {/each}
    </ul>
    {#if link.pours_in_all > link.pours.length}
        <p class="mt-2">
            <a class="link inline-block py-2" href="/log?{new URLSearchParams({ q: job }).toString()}"
                >{texts.earlierInTheLog(link.pours_in_all - link.pours.length)}</a
            >
        </p>
    {/if}
</div>

<style>
    .pour {
        display: grid;
        grid-template-columns: 1fr auto auto;
        gap: 1rem;
        padding: 0.4rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    .pour:first-child {
        border-top: 0;
    }
</style>
