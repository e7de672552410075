<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { decimalsOf, figure, measure, sign } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import * as texts from './texts';

    let {
        live,
        line,
        byHand = $bindable(),
        typing = $bindable(),
        onconfirm,
    }: {
        live: LiveRun;
        line: NonNullable<LiveRun['run']['line']>;
        byHand: number | string | null;
        typing: boolean;
        onconfirm: () => void;
    } = $props();

    const digits = $derived(decimalsOf(live.run.division_g, bench.units));
    const grams = $derived(live.scale.grams);
    const left = $derived(grams === null ? null : line.running - grams);
    const inBand = $derived(grams !== null && grams >= line.from && grams <= line.to);
    const over = $derived(grams !== null && grams > line.to);
    const from = $derived(live.run.cup.display_g);
    // The bar shows this one ingredient, with a little room beyond the line for an over-pour.
    const span = $derived(Math.max(line.running - from, 1) * 1.08);
    const at = (g: number): number => Math.min(100, Math.max(0, ((g - from) / span) * 100));
</script>

<h1 class="text-4xl">{texts.untilTheScaleReads(line.add === 'A' || line.add === 'B' ? texts.pour : texts.add, line.label)}</h1>
<p class="target fig">
    <span data-testid="target">{figure(line.running, 'mass', bench.units, digits)}</span><span class="unit"
        >{sign('mass', bench.units)}</span
    >
</p>

{#if live.scale.reading.held_by !== null && !typing}
    <p class="quiet">The scale counts another cup.</p>
{:else if live.scale.speaks && !typing}
    <dl class="live" class:doubtful={!live.scale.sound}>
        <div>
            <dt>{texts.onTheScale}</dt>
            <dd class="fig" class:good={inBand} class:over data-testid="live">
                {live.scale.reading.overload ? 'too much' : figure(grams, 'mass', bench.units, digits)}
            </dd>
        </div>
        <div>
            <dt>{over ? texts.overBy : texts.stillToPour}</dt>
            <dd class="fig">{left === null ? '–' : figure(Math.abs(left), 'mass', bench.units, digits)}</dd>
        </div>
        <div>
            <dt>{texts.goodBetween}</dt>
            <dd class="fig small">{figure(line.from, 'mass', bench.units, digits)} – {figure(line.to, 'mass', bench.units, digits)}</dd>
        </div>
        <div>
            <dt>{texts.itIs}</dt>
            <dd class="small">{live.scale.reading.stable ? 'at rest' : 'moving'}</dd>
        </div>
    </dl>
    <div class="bar" aria-hidden="true">
        <span class="fill" class:good={inBand} class:over style="width:{at(grams ?? from)}%"></span>
        <span class="band" style="left:{at(line.from)}%;width:{Math.max(1.5, at(line.to) - at(line.from))}%"></span>
    </div>
    {#if live.scale.reading.overload}<p class="font-bold text-error" role="alert">
            More than the scale can carry. Take the cup off and use a larger scale.
        </p>{/if}
{:else}
    {#if live.scale.reading.lost !== null && bench.frame?.scale === true}<p class="font-bold text-error" role="alert">
            {live.scale.reading.lost}
        </p>{/if}
    <form
        class="mt-2 max-w-xs"
        onsubmit={(event) => {
            event.preventDefault();
            onconfirm();
        }}
    >
        {#key live.run.step.key}<Measure
                first
                label={texts.theScaleReads}
                kind="mass"
                bind:value={byHand}
                hint={texts.goodBetweenAndEnterConfirms(
                    measure(line.from, 'mass', bench.units, digits),
                    measure(line.to, 'mass', bench.units, digits),
                )}
            />{/key}
    </form>
{/if}

{#if live.run.may_swap}
    <button type="button" class="link quiet mr-6 min-h-14 text-sm" onclick={() => void live.record('swapped', { step: live.run.step.key })}
        >{texts.iPouredTheOtherPart}</button
    >
{/if}
{#if live.scale.speaks}
    <button type="button" class="link quiet mt-2 text-sm" onclick={() => (typing = !typing)}
        >{typing ? texts.letTheScaleSayIt : texts.typeTheReadingInstead}</button
    >
{/if}

<style>
    .target {
        font-size: clamp(4rem, 11vw, 8.2rem);
        font-weight: 700;
        line-height: 1.05;
    }
    .unit {
        font-size: 2.4rem;
        font-weight: 400;
        color: var(--color-neutral);
        margin-left: 0.6rem;
    }
    .live {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem 2.2rem;
    }
    .doubtful div:nth-child(-n + 2) dd {
        color: var(--color-neutral);
        text-decoration: line-through 0.08em var(--color-error);
    }
    dt {
        color: var(--color-neutral);
    }
    dd {
        font-size: 2.6rem;
        font-weight: 700;
        line-height: 1.15;
        min-width: 5ch;
    }
    dd.small {
        font-size: 1.3rem;
        font-weight: 400;
        line-height: 2.2;
        min-width: 0;
    }
    dd.good {
        color: var(--color-success);
    }
    dd.over {
        color: var(--color-error);
    }
    .bar {
        position: relative;
        height: 14px;
        border-radius: 7px;
        background: var(--color-base-300);
        margin: 1rem 0 1.4rem;
    }
    .fill {
        position: absolute;
        inset: 0 auto 0 0;
        border-radius: 7px;
        background: var(--color-accent);
    }
    .fill.good {
        background: var(--color-success);
    }
    .fill.over {
        background: var(--color-error);
    }
    .band {
        position: absolute;
        top: -8px;
        bottom: -8px;
        border: 3px solid var(--color-success);
        border-radius: 7px;
    }
    @media (max-width: 500px) {
        .live {
            gap: 0 1.4rem;
        }
        dd {
            font-size: 2rem;
        }
        dd.small {
            font-size: 1.1rem;
            line-height: 1.6;
        }
        .bar {
            margin: 0.7rem 0 0.9rem;
        }
    }
</style>
