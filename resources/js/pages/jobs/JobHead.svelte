<script lang="ts">
    /** What a job is, for whom and until when, how far it has come, and what has to be looked up for what it is used for. */
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import { calendarDay, dayAndTime } from '../../lib/when';
    import type { JobView } from '../../types/server';
    import JobForm from './JobForm.svelte';
    import * as texts from './texts';

    let { job, uses }: { job: JobView; uses: Record<string, string> } = $props();
    let renaming = $state(false);
    /** Days it is past its day; a day is over when it is over. */
    const overdue = $derived(
        job.due_on === null ? 0 : Math.floor((bench.now - new Date(`${job.due_on}T23:59:59`).getTime()) / 86_400_000) + 1,
    );

    /** Pours of casts that are still to come, as many pieces at a time as the last gave. */
    const toCome = $derived(Math.ceil(Math.max(0, job.quantity - job.cast) / job.pieces_a_pour));
</script>

<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h1 class="text-4xl">{job.name}</h1>
    <p class="quiet text-lg">
        {job.quantity}
        {job.quantity === 1 ? 'piece' : 'pieces'}{job.due_on === null ? '' : `, by ${calendarDay(job.due_on, 'long')}`}{job.for_whom === ''
            ? ''
            : `, for ${job.for_whom}`} · {job.purpose}
    </p>
    <button class="link quiet py-3" aria-expanded={renaming} onclick={() => (renaming = !renaming)}>{texts.changeNameNumberDate}</button>
</div>

{#if renaming}<JobForm {job} {uses} onclose={() => (renaming = false)} />{/if}
{#if overdue > 0 && job.cast < job.quantity}<p class="mt-1 font-bold text-error" role="alert">
        The day it is wanted by is over, {overdue === 1 ? 'since yesterday' : `since ${String(overdue)} days`}.
    </p>{/if}
<p class="mt-1">
    {#if toCome === 0}All {job.quantity} are cast.{:else}<b>{job.cast} of {job.quantity}</b> cast: {toCome === 1
            ? 'one pour of casts is'
            : `${String(toCome)} pours of casts are`} still to come{job.pieces_a_pour > 1
            ? `, ${String(job.pieces_a_pour)} pieces each`
            : toCome > 3
              ? '. A gang mould gives several at once'
              : ''}.{/if}
</p>

{#each job.ready as one (one.pour_id)}
    <p class="mt-1" class:font-bold={one.late_days > 0} class:text-error={one.late_days > 0}>
        <a class="link" href="/pours/{one.pour_id}/run">{one.name}</a> is {one.full ? 'fully cured' : 'ready for service'}
        {dayAndTime(one.ready_ms)}{one.late_days > 0 && job.due_on !== null
            ? `: ${one.late_days === 1 ? 'a day' : `${String(one.late_days)} days`} after it is wanted`
            : ''}.
    </p>
{/each}

<label class="mt-2 flex min-h-11 w-fit items-center gap-3"
    ><input
        type="checkbox"
        class="checkbox"
        checked={job.skin}
        onchange={(event) =>
            router.put(
                `/jobs/${String(job.id)}?edition=${String(job.edition)}`,
                {
                    name: job.name,
                    purpose: job.purpose,
                    for_whom: job.for_whom,
                    quantity: job.quantity,
                    due_on: job.due_on,
                    skin: event.currentTarget.checked,
                },
                { preserveScroll: true, preserveState: true },
            )}
    />
    {texts.wornOnSkin}</label
>
{#if job.uses.length > 0}
    <ul class="uses" aria-label={texts.toLookUp}>
        {#each job.uses as use (use.id)}<li><b>It {use.name}.</b> {use.ask}</li>{/each}
    </ul>
{/if}
{#if job.chain.some((l) => l.not_for_skin)}
    <p class="font-bold text-error" role="alert">
        {job.chain.find((l) => l.not_for_skin)?.material} is not sold for skin. Take one that is, and patch-test the wearer.
    </p>
{/if}

<style>
    .uses {
        display: grid;
        gap: 0.4rem;
        max-width: 75ch;
        margin: 0.3rem 0 0.6rem;
    }
    .uses li {
        border-left: 5px solid var(--color-warning);
        padding-left: 0.8rem;
    }
</style>
