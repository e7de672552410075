<script lang="ts">
    /**
     * The cups of a series and what goes from them into each puck. Where there is a scale it leads from one to the next and writes
     * down what it shows; anything can be typed over.
     */
    import { onMount, untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import type { Entry } from '../../lib/sheet.svelte';
    import { figure, minutes, sign } from '../../lib/units';
    import { back, put, type Weighed, write } from '../../lib/weighing';
    import Lines from '../../parts/Lines.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { SeriesResult, WeighingResult } from '../../types/server';
    import SeriesClock from './SeriesClock.svelte';
    import WeighNext from './WeighNext.svelte';

    type Props = {
        plan: SeriesResult;
        question: () => Record<string, unknown>;
        /** The plan belongs to what is asked. */
        fresh: boolean;
        mixing: Entry;
        weighed: Weighed;
        /** When A met B. */
        met: number | null;
    };
    let { plan, question, fresh, mixing, weighed = $bindable(), met = $bindable() }: Props = $props();

    const puck = (i: number): string => `puck ${String(i + 1)}`;
    const lines = (vessel: string): { grams: number }[] =>
        plan.cups.find((cup) => cup.name === vessel)?.lines ?? plan.pucks.find((_, i) => puck(i) === vessel)?.lines ?? [];
    const leading = new Asking<{ next: WeighingResult | null }>(
        'POST',
        '/swatches/series/next',
        () => ({ ...question(), weighed: $state.snapshot(weighed.grams) }),
        { next: null },
    );
    const next = $derived(leading.answer.next);
    const inThere = $derived(JSON.stringify(weighed.grams));
    $effect(() => {
        void plan;
        void inThere;
        untrack(() => leading.changed());
    });

    const into = $derived.by(() => {
        const filled = plan.pucks.find((_, i) => puck(i) === next?.vessel);
        return filled === undefined ? cupCalled(next?.vessel ?? '') : `the ${figure(filled.wanted_pct, 'percent', 'metric')} % puck`;
    });
    const cupCalled = (name: string): string => (plan.cups.length === 1 ? 'the cup they all come from' : `the ${name}`);
    const isIn = (vessel: string, line: number): boolean => (weighed.grams[vessel]?.[line] ?? null) !== null;
    const isNow = (vessel: string, line: number): boolean => next?.vessel === vessel && next.line === line;
    const grams = (g: number): string => figure(g, 'mass', bench.units, bench.fine);
    const takeBack = (): void => {
        weighed = back(weighed);
    };

    let hand = $state<WeighNext>();
    onMount(() =>
        bench.frame?.scale === true
            ? screenKeys([
                  { press: 'Space', does: 'The scale: set to nought, or it is in', run: () => void hand?.go() },
                  { press: 'Backspace', does: 'Take back what went in last', run: takeBack },
              ])
            : undefined,
    );
</script>

{#snippet field(vessel: string, line: { add: string; grams: number }, j: number, label: string)}
    <Measure
        {label}
        kind="mass"
        fine={bench.fine}
        error={leading.trouble?.field === `weighed.${vessel}.${String(j)}` ? leading.trouble.message : null}
        value={weighed.grams[vessel]?.[j] ?? line.grams}
        onchange={(value) => (weighed = write(weighed, vessel, lines(vessel), j, value))}
    />
{/snippet}

{#if bench.frame?.scale === true}
    <WeighNext
        bind:this={hand}
        {next}
        fresh={fresh && leading.fresh}
        {into}
        on={weighed.on}
        canTakeBack={weighed.order.length > 0}
        onnought={(vessel) => (weighed = { ...weighed, on: vessel })}
        onput={(reading) => next !== null && (weighed = put(weighed, next, reading, lines(next.vessel)))}
        onmeet={() => (met ??= bench.now)}
        onback={takeBack}
    />
    <Wrong says={leading.trouble?.field === '' ? leading.trouble.message : null} />
{/if}
<div class="cups">
    {#each plan.cups as cup (cup.name)}
        <Lines lines={cup.lines} grams={shown}>
            {#snippet caption()}
                <b>First {cupCalled(cup.name)}</b>
                <span class="quiet">{grams(cup.mass_g)} {sign('mass', bench.units)}</span>
            {/snippet}
        </Lines>
        {#snippet shown(line: { add: string; grams: number }, j: number)}
            <span class="shown" class:in={isIn(cup.name, j)} class:now={isNow(cup.name, j)}>
                {@render field(cup.name, line, j, `${line.add} in the ${cup.name}`)}
            </span>
        {/snippet}
    {/each}
</div>
<SeriesClock
    {met}
    allMin={plan.usable_min === null || typeof mixing !== 'number' ? null : plan.usable_min + mixing}
    onmet={(at) => (met = at)}
/>
<p class="quiet text-sm">Mix well, then fill the pucks: about {minutes(plan.minutes)}.</p>
<ol class="pucks">
    {#each plan.pucks as p, i (p.wanted_pct)}
        <li>
            <p class="pct">
                <b class="fig">{figure(p.wanted_pct, 'percent', 'metric')}</b> %
                {#if Math.abs(p.true_pct - p.wanted_pct) > 0.05}<span class="quiet text-sm block"
                        >really <span class="fig">{figure(p.true_pct, 'percent', 'metric', 1)}</span></span
                    >{/if}
            </p>
            {#each p.lines as line, j (line.add)}
                <div class="weigh" class:in={isIn(puck(i), j)} class:now={isNow(puck(i), j)}>
                    {@render field(puck(i), line, j, `${line.add}${j === 0 ? '' : `, display ${grams(line.running)}`}`)}
                </div>
            {/each}
        </li>
    {/each}
</ol>

<style>
    .cups {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
        gap: 1.5rem;
        align-items: start;
    }
    .shown {
        display: inline-block;
        width: 7rem;
    }
    .shown :global(label) {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
    }
    .in :global(.field) {
        border-color: var(--color-success);
    }
    .in :global(.field)::before {
        content: '✓' / 'in';
        color: var(--color-success);
    }
    .now :global(.field) {
        border-color: var(--color-accent);
    }
    .shown :global(.field) {
        min-height: 2.1rem;
    }
    .pucks {
        margin: 0.6rem 0;
    }
    .pucks li {
        display: grid;
        grid-template-columns: 5rem repeat(2, minmax(0, 1fr));
        gap: 0.8rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        padding: 0.35rem 0;
    }
    .pct b {
        font-size: 1.4rem;
    }
    .weigh :global(.measure) {
        grid-template-columns: minmax(0, 1fr) 7rem;
        align-items: center;
        gap: 0.5rem;
    }
    .weigh :global(.field) {
        min-height: 2.4rem;
    }
    @media (max-width: 1000px) {
        .pucks li {
            grid-template-columns: 4rem minmax(0, 1fr);
        }
        .pucks li > :nth-child(3) {
            grid-column: 2;
        }
    }
</style>
