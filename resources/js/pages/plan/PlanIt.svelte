<script lang="ts">
    /** From a piece to a plan one can begin today: whole ways beside each other, one of them taken. */
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { ask, make } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { bestAt, ordered, type Way, type Wishes } from '../../lib/ways';
    import { midnight } from '../../lib/when';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { PlanItView, WaysView } from '../../types/server';
    import Piece from './Piece.svelte';
    import OneWay from './OneWay.svelte';
    import WhyNot from './WhyNot.svelte';
    import { asked, proposed } from './question';
    import * as texts from './texts';

    const PAUSE_MS = 250;
    const BUSY_MS = 2000;
    const SHOWN = 4;
    let { plan }: { plan: PlanItView } = $props();
    const typing = new Typing(
        untrack(() => `plan/${String(plan.job.id)}`),
        untrack(() => proposed(plan)),
    );
    const said = typing.value;
    const wishes = $state<Wishes>({ sooner: 3, cheaper: 5, surer: 5, easier: 2 });
    const sliders: [keyof Wishes, string][] = [
        ['sooner', 'Sooner'],
        ['cheaper', 'Cheaper'],
        ['surer', 'Surer'],
        ['easier', 'Less work'],
    ];
    let answer = $state.raw<WaysView | null>(null);
    let wrong = $state<{ field: string; message: string } | null>(null);
    let fresh = $state(false);
    let asking = $state(true);
    let all = $state(false);
    let taking = $state(false);
    let why = $state<Record<string, unknown> | null>(null);
    let turn = 0;
    let later: ReturnType<typeof setTimeout> | undefined;

    // The surface counts as long as the size is the studied one.
    const area = $derived(
        plan.studied !== null &&
            [said.l, said.w, said.h].every((side, i) => typeof side === 'number' && Math.abs(side - (plan.studied?.size_mm[i] ?? 0)) < 1)
            ? plan.studied.area_mm2
            : null,
    );
    const question = (): Record<string, unknown> => ({
        ...asked($state.snapshot(said), area),
        ...(why === null ? {} : { why_not: $state.snapshot(why) }),
    });
    function soon(): void {
        [fresh, asking] = [false, true];
        clearTimeout(later);
        later = setTimeout(() => void reckon(), PAUSE_MS);
    }
    async function reckon(): Promise<void> {
        const mine = ++turn;
        [fresh, asking] = [false, true];
        const reply = await ask<WaysView>('POST', `/jobs/${String(plan.job.id)}/ways`, question());
        if (mine !== turn) {
            return;
        }
        if (!reply.ok && reply.status === 503) {
            later = setTimeout(() => void reckon(), BUSY_MS);
            return;
        }
        [wrong, asking] = [reply.ok ? null : reply.wrong, false];
        if (reply.ok) {
            [answer, fresh] = [reply.data, true];
        }
    }
    onMount(() => {
        void reckon();
        return () => clearTimeout(later);
    });
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const ways = $derived(answer === null ? [] : ordered(answer.ways, $state.snapshot(wishes)));
    const shown = $derived(all ? ways : ways.slice(0, SHOWN));
    const best = $derived(bestAt(shown));
    const from = $derived(midnight(bench.now));
    const due = $derived(said.ready_on === '' ? null : new Date(`${said.ready_on}T23:59:00`).getTime());
    const to = $derived(Math.max(from + 86_400_000, ...shown.map((way) => way.done_ms)));
    const notWay = $derived(answer?.why_not?.way ?? null);
    const notSays = $derived(
        answer?.why_not === null || answer?.why_not === undefined
            ? null
            : answer.why_not.forbidden
              ? (answer.why_not.why ?? 'It cannot be.')
              : 'It can be. It stands below, and something beats it or is as good.',
    );

    async function take(way: Way): Promise<void> {
        taking = true;
        const reply = await make<{ job: string }>(`/jobs/${String(plan.job.id)}/plan?edition=${String(plan.job.edition)}`, {
            way: way.id,
            question: question(),
        });
        taking = false;
        if (reply.ok) {
            typing.forget();
            router.visit(reply.data.job);
            return;
        }
        wrong = reply.wrong;
        if (reply.status === 409) {
            router.reload();
        }
    }
    function without(code: string): void {
        const codes = said.shelf ?? plan.bases.map((base) => base.code);
        said.shelf = codes.filter((one) => one !== code);
        soon();
    }
    const elsewhere = $derived(
        wrong !== null && !/^(piece\.(size_mm|volume_ml|thinnest_mm|stretch_pct)|casts\.(count|ready_on|family)|buy_in)/.test(wrong.field),
    );
</script>

<svelte:head><title>Plan it: {plan.job.name} · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline gap-x-3">
    <h1 class="text-3xl">{texts.planIt}</h1>
    <p class="quiet">
        How <a class="link" href="/jobs/{plan.job.id}">{plan.job.name}</a> comes about, what it costs, what can go wrong
    </p>
</div>

<div class="two">
    <aside>
        <Piece {plan} {said} {at} onchange={soon} />
    </aside>
    <section aria-label={texts.waysBesideEachOther} aria-busy={asking} class:stale={!fresh}>
        <Wrong says={elsewhere ? (wrong?.message ?? null) : null} />
        {#if answer !== null}
            <Warnings warnings={answer.warnings} />
            {#if ways.length > 0}
                <fieldset class="sliders">
                    <legend class="sr-only">{texts.whatMatters}</legend>
                    {#each sliders as [key, label] (key)}
                        <label class="label-text"
                            >{label}
                            <input class="range range-sm w-full" type="range" min="0" max="10" bind:value={wishes[key]} /></label
                        >
                    {/each}
                </fieldset>
                <div class="ways">
                    {#each shown as way, i (way.id)}
                        <OneWay
                            {way}
                            best={best[i] ?? 'money'}
                            {from}
                            {to}
                            {due}
                            busy={taking || !fresh}
                            ontake={() => void take(way)}
                            onwithout={without}
                        />
                    {/each}
                </div>
                {#if ways.length > SHOWN}<p class="mt-3">
                        <button class="btn btn-ghost" aria-expanded={all} onclick={() => (all = !all)}
                            >{all ? texts.onlyTheFirstFour : texts.moreThatNothingBeats(ways.length - SHOWN)}</button
                        >
                    </p>{/if}
            {/if}
            {#if answer.ask.length > 0}
                <h2 class="mt-6 text-xl">{texts.whatWouldNarrowItMost}</h2>
                <ul class="mt-1 grid gap-1">
                    {#each answer.ask as one (one.about)}<li>
                            {one.question} <span class="quiet">moves the best by {Math.round(100 * one.narrows)} %</span>
                        </li>{/each}
                </ul>
            {/if}
            <h2 class="mt-6 text-xl">{texts.whyNot}</h2>
            <WhyNot
                {plan}
                cast={said.cast}
                says={notSays}
                onask={(what) => {
                    why = what;
                    void reckon();
                }}
            />
            {#if notWay !== null}<div class="ways mt-2">
                    <OneWay
                        way={notWay}
                        best="money"
                        {from}
                        to={Math.max(to, notWay.done_ms)}
                        {due}
                        busy={taking || !fresh}
                        ontake={() => void take(notWay)}
                    />
                </div>{/if}
            {#if answer.left_out.length > 0}
                <details class="mt-6">
                    <summary class="cursor-pointer">{texts.whatCannotBeAndWhy(answer.left_out.length)}</summary>
                    <ul class="mt-2 grid gap-1">
                        {#each answer.left_out as out, i (i)}<li><b>{out.what}</b> {out.why}</li>{/each}
                    </ul>
                </details>
            {/if}
            <p class="quiet mt-6 text-sm">
                Chances, days and money are reckoned, not promised: sheets of suppliers, local codes and a test of your own count for more.{plan.priced
                    ? ''
                    : ' Nobody has said what an hour costs here: hands are counted, and cost nothing.'}
            </p>
        {/if}
    </section>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: minmax(17rem, 0.42fr) minmax(0, 1fr);
        gap: 2rem;
        margin-top: 0.75rem;
    }
    .stale {
        opacity: 0.45;
    }
    .sliders {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 0.4rem 1.2rem;
        margin-bottom: 0.8rem;
    }
    .ways {
        display: grid;
        grid-template-columns: repeat(2, minmax(0, 1fr));
        gap: 1rem;
        align-items: start;
    }
    @media (max-width: 900px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
    @media (max-width: 620px) {
        .ways {
            grid-template-columns: minmax(0, 1fr);
        }
        .sliders {
            grid-template-columns: repeat(2, minmax(0, 1fr));
        }
    }
</style>
