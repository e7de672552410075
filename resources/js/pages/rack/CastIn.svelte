<script lang="ts">
    /** What was cast in a mould, with what release, and how it came out. */
    import { shortDate } from '../../lib/when';
    import type { MouldPageView } from '../../types/server';
    import * as texts from './texts';

    let { mould }: { mould: MouldPageView } = $props();
    const pieces = $derived((mould.tally.good ?? 0) + (mould.tally.usable ?? 0) + (mould.tally.reject ?? 0));
</script>

<section aria-label={texts.whatWasCastInIt}>
    <h2 class="text-2xl">{texts.whatWasCastInIt}</h2>
    {#if pieces > 0}<p>
            {pieces}
            {pieces === 1 ? 'piece' : 'pieces'}: {mould.tally.good ?? 0} good, {mould.tally.usable ?? 0} usable, {mould.tally.reject ?? 0}
            {mould.tally.reject === 1 ? 'reject' : 'rejects'}.
        </p>{/if}
    <ul class="rows">
        {#each mould.castings as cast (cast.pour_id)}
            <li>
                <span class="fig text-sm">{shortDate(cast.at_ms)}</span>
                <span
                    ><a class="link inline-block leading-7" href="/pours/{cast.pour_id}/run">{cast.job}, {cast.link}</a>
                    <small class="quiet"
                        >{cast.base}{cast.released === null
                            ? ''
                            : cast.released
                              ? `, ${cast.release ?? 'released'}`
                              : ', no release told'}</small
                    ></span
                >
                <span class="text-right"
                    ><b class={cast.grade}>{cast.grade}</b>{#if cast.good + cast.usable + cast.reject > 1}<small class="quiet"
                            >{cast.good} good, {cast.usable} usable, {cast.reject}
                            {cast.reject === 1 ? 'reject' : 'rejects'}</small
                        >{/if}{#if cast.faults.length > 0}<small class="quiet">{cast.faults.join(', ')}</small>{/if}</span
                >
            </li>
        {:else}<li class="quiet">Nothing yet.</li>{/each}
    </ul>
</section>

<style>
    .rows li {
        display: grid;
        grid-template-columns: 5.5rem minmax(0, 1fr) auto;
        gap: 0.3rem 1rem;
        padding: 0.4rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    small {
        display: block;
        font-size: 0.875rem;
    }
    .good,
    .superb {
        color: var(--color-success);
    }
    .spoilt,
    .poor {
        color: var(--color-error);
    }
</style>
