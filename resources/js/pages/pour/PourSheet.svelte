<script lang="ts">
    import OnPaper from '../../parts/OnPaper.svelte';
    import SheetOfLabels from '../../parts/SheetOfLabels.svelte';
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { MediaQuery } from 'svelte/reactivity';
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { practice } from '../../lib/practice.svelte';
    import { refused } from '../../lib/refused';
    import { measure } from '../../lib/units';
    import { LiveSheet, type Sheet } from '../../lib/pourSheet.svelte';
    import Clash from '../../parts/Clash.svelte';
    import Really from '../../parts/Really.svelte';
    import WhyEarly from '../../parts/WhyEarly.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { PourSheetView, ReckoningView } from '../../types/server';
    import Answer from './Answer.svelte';
    import ByCard from './ByCard.svelte';
    import FormulaSection from './FormulaSection.svelte';
    import PlanSection from './PlanSection.svelte';
    import VolumeSection from './VolumeSection.svelte';
    import * as texts from './texts';

    let { pour, reckoning }: { pour: PourSheetView; reckoning: ReckoningView } = $props();

    const live = untrack(() => new LiveSheet(`/pours/${String(pour.id)}/sheet`, pour.sheet as unknown as Sheet, reckoning));
    const base = $derived(pour.shelf.bases.find((b) => b.code === live.sheet.formula.base) ?? null);
    // Everything timed follows the room: when it changes, so do the answers.
    let answeredAt = untrack(() => reckoning.room_c);
    $effect(() => {
        const room = bench.frame?.workshop.room_c;
        if (room !== undefined && room !== answeredAt) {
            answeredAt = room;
            untrack(() => live.look());
        }
    });
    // Somebody else may have changed or begun it while this page lay in a history, or a tablet in a drawer.
    let seen = untrack(() => bench.frame?.changes);
    $effect(() => {
        if (bench.frame?.changes !== undefined && bench.frame.changes !== seen) {
            seen = bench.frame.changes;
            untrack(() => live.fresh && live.look());
        }
    });
    $effect(() => {
        if (live.begun) {
            router.visit(`/pours/${String(pour.id)}/run`, { replace: true });
        }
    });
    // What was begun, refused and sent back stands here with another edition.
    $effect(() => {
        if (pour.edition > untrack(() => live.edition)) {
            untrack(() => live.look());
        }
    });
    const why = $derived(refused('sheet'));
    let starting = $state(false);

    /** Begun before its window opens: a finger on the coat below, or a reason, goes on. */
    const early = $derived(refused('early'));
    let leftEarly = $state<string | null>(null);
    let felt = $state<string | null>(null);
    let doubted = $state<{ finger: string; why: string } | null>(null);
    /** Where the answer lies below the sheet, its head and the start stay under the thumb; elsewhere they would only be said twice. */
    const phone = new MediaQuery('(max-width: 720px)');
    /** What keeps a thumb from starting it, said beside the button: far below the sheet nobody sees it. */
    const refusal = $derived(why ?? felt ?? (early !== leftEarly ? early : null));
    const lacks = $derived(live.answer.pourable ? null : (live.answer.errors.find((e) => !e.missing)?.message ?? 'Not complete yet.'));
    function show(where: string): void {
        const there = document.querySelector<HTMLElement>(where);
        there?.focus({ preventScroll: true });
        there?.scrollIntoView({ block: 'center' });
    }
    const fingers = [
        ['comes_off', 'Comes off', 'not yet'],
        ['tacky', 'Tacky, clean glove', 'now'],
        ['dry', 'Dry', 'closing or shut'],
    ] as const;

    async function touch(finger: string, more: Record<string, unknown> = {}): Promise<void> {
        const build = pour.build;
        if (build === null || build.coat === null) {
            return;
        }
        doubted = null;
        const key = `touch/${String(pour.id)}/${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;
        const answer = await ask('POST', `/builds/${String(build.id)}/facts`, {
            key,
            kind: 'fingered',
            at_ms: Math.round(bench.now),
            payload: { op: build.coat.op, finger, ...more },
        });
        if (answer.ok) {
            felt = finger === 'comes_off' ? `“${build.coat.name}” still comes off: wait, and touch it again.` : null;
            if (felt === null) {
                await start();
            }
        } else if (answer.wrong.field === 'sure') {
            doubted = { finger, why: answer.wrong.message };
        } else {
            felt = answer.wrong.message;
        }
    }

    async function start(reason: string | null = null): Promise<void> {
        if (starting) {
            return;
        }
        starting = true;
        if (await live.settled()) {
            router.post(
                `/pours/${String(pour.id)}/run?edition=${String(live.edition)}&stamp=${live.answer.stamp}`,
                reason === null ? {} : { early: reason },
                { onFinish: () => (starting = false), onError: () => live.look() },
            );
        } else {
            starting = false;
        }
    }

    onMount(() => {
        live.look();
        const back = (): void => {
            if (document.visibilityState === 'visible') {
                live.look();
            }
        };
        document.addEventListener('visibilitychange', back);
        const keys = screenKeys([{ press: 's', does: 'Start the pour', run: () => void start() }]);
        return () => {
            document.removeEventListener('visibilitychange', back);
            keys();
        };
    });
</script>

<svelte:head><title>Pour sheet: {pour.job} · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline gap-x-3">
    <h1 class="text-3xl">{pour.impression}</h1>
    <p class="quiet">
        for <a class="link" href="/jobs/{pour.job_id}">{pour.job}</a>{#if pour.build !== null}, in
            <a class="link" href="/builds/{pour.build.id}">{texts.itsBuild}</a>{/if}
    </p>
</div>

{#if pour.build !== null && (pour.build.follows.length > 0 || pour.build.by_hand.length > 0)}
    <ul class="mt-1 max-w-prose" aria-label={texts.thisSheetAndItsPlan}>
        {#each pour.build.follows as says (says)}<li>{says}</li>{/each}
        {#each pour.build.by_hand as says (says)}<li><b>{says}</b></li>{/each}
    </ul>
{/if}
{#if pour.stands.length > 0}<p class="mt-1 max-w-prose">
        <b>In the cup already:</b>
        {pour.stands
            .map(
                (one) =>
                    `${measure(one.grams, 'mass', bench.units, bench.fine)} ${one.name}${one.cup > 1 ? ` in cup ${String(one.cup)}` : ''}`,
            )
            .join(', ')}. The run goes on with it where it still fits this plan; what does not is weighed anew.
    </p>{/if}

<div class="sheet">
    <section aria-labelledby="part-volume">
        <h2 id="part-volume"><span class="fig">1</span> {texts.howMuchRubber}</h2>
        <VolumeSection {live} learnt={pour.learnt} took={pour.took} studied={pour.studied} />
    </section>
    <section aria-labelledby="part-formula">
        <h2 id="part-formula"><span class="fig">2</span> {texts.formula}</h2>
        <FormulaSection {live} {pour} />
    </section>
    <section aria-labelledby="part-plan" class="plan">
        <h2 id="part-plan"><span class="fig">3</span> {texts.cupScaleMinutes}</h2>
        <PlanSection {live} vacuum={base?.vacuum ?? 'optional'} heated={base?.heated === true} />
    </section>
    <section aria-labelledby="part-answer" class="card-paper result">
        <h2 id="part-answer" class="sr-only">{texts.whatToWeigh}</h2>
        <Answer
            {live}
            pourId={pour.id}
            weighOnly={base !== null && !base.one_part && !base.by_volume_ok}
            partNames={{ a: base?.part_a ?? 'A', b: base?.part_b ?? null }}
        >
            <Wrong says={why} />
            {#if early !== null && early !== leftEarly}
                <WhyEarly
                    says={early}
                    words="Begin all the same"
                    onsay={(reason) => void start(reason)}
                    onleave={() => (leftEarly = early)}
                />
                {#if pour.build?.coat}<p class="fingers" aria-label={texts.touch(pour.build.coat.name)}>
                        {#each fingers as [finger, word, means] (finger)}<button class="btn" onclick={() => void touch(finger)}
                                ><b>{word}</b> {means}</button
                            >{/each}
                    </p>{/if}
                {#if doubted !== null}<Really
                        why={doubted.why}
                        onso={() => void touch(doubted?.finger ?? '', { sure: true })}
                        onthen={(ms) => void touch(doubted?.finger ?? '', { done_ms: ms })}
                        onslip={() => (doubted = null)}
                    />{/if}
                <Wrong says={felt} />
            {/if}
            {#if live.clash !== null}<Clash {...live.clash} ontheirs={() => live.takeTheirs()} onmine={() => live.keepMine()} />{/if}
            <button
                class="in-sheet btn btn-primary big w-full"
                disabled={!live.answer.pourable || starting || live.clash !== null}
                onclick={() => void start()}>{texts.gearOnStartThePour} <kbd class="kbd kbd-sm text-base-content">s</kbd></button
            >
        </Answer>
    </section>
</div>
<p class="mt-6 flex flex-wrap items-center gap-4">
    {#if live.answer.pourable}<OnPaper what="pours/{pour.id}" words="Batch card" />{/if}
    <button class="link quiet" onclick={() => router.delete(`/pours/${String(pour.id)}?edition=${String(live.edition)}`)}
        >{texts.throwThisPlanAway}</button
    >
</p>
{#if live.answer.pourable && practice.id === null}
    <SheetOfLabels of="cups={pour.id}" words={texts.labelsOfItsCups} />{/if}
{#if live.answer.pourable}<ByCard {live} pour={pour.id} />{/if}
{#if phone.current}
    <div class="thumb">
        <p role="status">
            {#if live.clash !== null}Changed on another screen{:else if refusal !== null}{refusal}{:else if lacks !== null}{lacks}{:else if live.answer.mix !== null}<b
                    class="fig">{measure(live.answer.mix.mass_g, 'mass', bench.units)}</b
                >
                in
                {live.answer.mix.batches.length === 1 ? 'one cup' : `${String(live.answer.mix.batches.length)} cups`}{:else}Not complete yet{/if}
        </p>
        {#if live.clash !== null}<button class="btn btn-primary big" onclick={() => show('.clash')}>{texts.lookAtBoth}</button
            >{:else if refusal !== null}<button class="btn btn-primary big" onclick={() => show('.result')}>{texts.showMe}</button
            >{:else if lacks !== null}<button
                class="btn btn-primary big"
                onclick={() => show('.sheet [aria-invalid="true"], .sheet [data-missing], .result')}>{texts.showMe}</button
            >{:else}<button class="btn btn-primary big" disabled={!live.answer.pourable || starting} onclick={() => void start()}
                >{texts.gearOnStartThePour}</button
            >{/if}
    </div>
{/if}

<style>
    .fingers {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
        margin-top: 0.6rem;
    }
    .fingers .btn {
        min-height: 3.5rem;
        height: auto;
    }
    .sheet {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr) minmax(20rem, 1.05fr);
        grid-template-areas: 'volume formula result' 'plan formula result';
        grid-template-rows: auto 1fr;
        gap: 1.25rem 2rem;
        margin-top: 0.75rem;
        align-items: start;
    }
    section {
        display: grid;
        gap: 0.75rem;
    }
    section:nth-child(1) {
        grid-area: volume;
    }
    section:nth-child(2) {
        grid-area: formula;
    }
    .plan {
        grid-area: plan;
    }
    .result {
        grid-area: result;
        position: sticky;
        top: 0.5rem;
        display: block;
    }
    h2 {
        font-size: 1.35rem;
    }
    h2 .fig {
        color: var(--color-accent);
    }
    @media (max-width: 1100px) {
        .sheet {
            grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
            grid-template-areas: 'volume result' 'formula result' 'plan result';
            grid-template-rows: auto auto 1fr;
        }
    }
    @media (max-width: 720px) {
        .sheet {
            grid-template-columns: minmax(0, 1fr);
            grid-template-areas: 'volume' 'formula' 'plan' 'result';
        }
        .result {
            position: static;
        }
        .result :global(.in-sheet) {
            display: none;
        }
        .thumb p {
            overflow: hidden;
            display: -webkit-box;
            -webkit-box-orient: vertical;
            -webkit-line-clamp: 3;
            line-clamp: 3;
            font-size: 0.92rem;
            line-height: 1.25;
        }
        .thumb .btn {
            flex: none;
        }
        .thumb {
            position: fixed;
            inset: auto 0 0 0;
            z-index: 15;
            display: flex;
            align-items: center;
            justify-content: space-between;
            gap: 0.5rem;
            padding: 0.4rem 1rem;
            background: var(--color-base-200);
            border-top: 1.5px solid var(--color-base-300);
        }
    }
    @media (max-width: 640px) {
        .thumb {
            bottom: 3.25rem;
        }
        .sheet {
            padding-bottom: 3.5rem;
        }
    }
</style>
