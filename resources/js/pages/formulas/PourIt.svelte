<script lang="ts">
    /** Pouring a version: for which link of a job, how much, and every pour there was of it. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { refused } from '../../lib/refused';
    import { measure } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import AmountEntry, { isSaid, said, type Amount } from '../../parts/AmountEntry.svelte';
    import PourAgain from '../../parts/PourAgain.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { FormulaView } from '../../types/server';
    import * as texts from './texts';

    let { page, called }: { page: FormulaView; called: (add: string) => string } = $props();

    // Kept while the formula beside it is kept, and until it is poured.
    const typing = new Typing(
        untrack(() => `pour-it/${page.name}`),
        { link: '', amount: { by: 'mass', mass_g: null, capacity_ml: null } as Amount },
    );
    const form = typing.value;
    const version = $derived(page.versions.find((v) => v.id === page.chosen));
    const pour = (): void =>
        router.post(
            `/versions/${String(page.chosen)}/pour`,
            { impression_id: Number(form.link), ...(isSaid(form.amount) ? said($state.snapshot(form.amount)) : {}) },
            { preserveState: true, onSuccess: () => typing.forget() },
        );
</script>

<section aria-labelledby="pour-it">
    <h2 id="pour-it" class="text-2xl">{texts.pourIt}</h2>
    <div class="pour">
        <Choice label={texts.forWord} bind:value={form.link}>
            <option value="">{texts.chooseALinkOfAJob}</option>
            {#each page.links as l (l.id)}<option value={String(l.id)}
                    >{l.name}{l.begun ? texts.itsSheetIsBegun : ''}{l.same_base ? '' : texts.anotherBase}</option
                >{/each}
        </Choice>
        <AmountEntry bind:amount={form.amount} />
        <button class="btn btn-primary" disabled={form.link === ''} onclick={pour}>{texts.toThePourSheet}</button>
    </div>
    {#if page.links.length === 0}<p class="quiet">
            No job has a link to pour yet. <a class="link" href="/jobs">{texts.beginOne}</a>.
        </p>{/if}
    <Wrong says={refused('pour')} />
    {#if page.last_batch !== null}
        <h3 class="mt-3 font-bold">{texts.whatReallyWentIntoTheLast(dayAndTime(page.last_batch.at_ms))}</h3>
        <p class="last">
            {#each page.last_batch.lines as line (line.add)}<span
                    >{called(line.add)}
                    <b class="fig">{measure(line.grams, 'mass', bench.units, bench.fine)}</b></span
                >{/each}
        </p>
    {/if}
    <ul class="mt-2">
        {#each version?.pours ?? [] as p (p.id)}
            <li class="poured">
                <a class="link inline-block" href={p.href}>{p.name}</a>
                <span class="quiet text-sm">{p.at_ms === null ? '' : dayAndTime(p.at_ms)}{p.grade === null ? '' : `, ${p.grade}`}</span>
                <b class="fig">{measure(p.grams, 'mass', bench.units)}</b>
                <PourAgain pour={p.id} grams={p.grams} what={p.name} />
            </li>
        {:else}
            <li class="quiet">Not poured yet.</li>
        {/each}
    </ul>
</section>

<style>
    .pour {
        display: grid;
        grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr) auto;
        gap: 0.75rem;
        align-items: end;
    }
    .last {
        display: flex;
        flex-wrap: wrap;
        gap: 0.2rem 1.6rem;
    }
    .poured {
        display: grid;
        grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) 5rem auto;
        gap: 0.3rem 1rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        padding: 0.3rem 0;
    }
    .poured b {
        text-align: right;
    }
    @media (max-width: 900px) {
        .pour {
            grid-template-columns: minmax(0, 1fr);
        }
        .poured {
            grid-template-columns: minmax(0, 1fr) auto;
        }
    }
</style>
