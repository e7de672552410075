<script lang="ts">
    /** Which way a job took and what it promised; beside it, as soon as pieces are counted, what came. */
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import { minutes } from '../../lib/units';
    import { calendarDay } from '../../lib/when';
    import type { PromiseView } from '../../types/server';
    import * as texts from './texts';

    let { job, taken }: { job: number; taken: NonNullable<PromiseView['taken']> } = $props();
    const came = $derived(taken.came);
    const rows = $derived([
        {
            of: 'a piece',
            promised: bench.price(Number(taken.promised.per_piece)),
            came: came === null || came.per_piece === null ? null : bench.price(Number(came.per_piece)),
        },
        {
            of: came === null || came.whole ? 'done' : 'done; so far',
            promised: calendarDay(taken.promised.done_on),
            came: came === null || came.done_on === null ? null : calendarDay(came.done_on),
        },
        {
            of: 'of hands',
            promised: minutes(taken.promised.hands_min),
            came: came === null || came.hands_min === null ? null : minutes(came.hands_min),
        },
        {
            of: 'good',
            promised: `${String(taken.promised.good)} of ${String(taken.promised.count)}`,
            came: came === null ? null : `${String(came.good)} of ${String(came.pieces)}`,
        },
    ]);
</script>

<section class="mt-4 rounded-box bg-secondary p-4" aria-label={texts.theWayItTakes}>
    <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 class="text-xl">{texts.theWayItTakes2(taken.kind)}</h2>
        <p class="quiet">{taken.rubber ?? ''}{taken.moulds > 1 ? `, ${String(taken.moulds)} moulds` : ''}</p>
        {#if taken.undoable}<button
                class="btn btn-sm ml-auto"
                onclick={() => router.post(`/jobs/${String(job)}/plan/${String(taken.id)}/back`, {}, { preserveScroll: true })}
                >{texts.takeItBackAllOfIt}</button
            >{/if}
    </div>
    <table class="mt-2">
        <thead
            ><tr
                ><th scope="col"><span class="sr-only">{texts.ofWhat}</span></th><th scope="col">{texts.promised}</th><th scope="col"
                    >{texts.came}</th
                ></tr
            ></thead
        >
        <tbody>
            {#each rows as row (row.of)}<tr
                    ><th scope="row">{row.of}</th><td class="fig">{row.promised}</td><td class="fig">{row.came ?? '–'}</td></tr
                >{/each}
        </tbody>
    </table>
</section>

<style>
    th,
    td {
        padding: 0.15rem 1.5rem 0.15rem 0;
        text-align: left;
        font-weight: 400;
    }
    td {
        font-weight: 700;
    }
</style>
