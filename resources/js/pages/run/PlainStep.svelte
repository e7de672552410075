<script lang="ts">
    /** The steps that only say what to do: gear on, stir, the empty cup, pour. */
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { decimalsOf, figure, measure } from '../../lib/units';
    import Cautions from '../../parts/Cautions.svelte';
    import Turning from './Turning.svelte';
    import WorkedSteps from './WorkedSteps.svelte';
    import * as texts from './texts';

    let { live, kind, scaled }: { live: LiveRun; kind: string; scaled: boolean } = $props();

    const run = $derived(live.run);
</script>

{#if kind === 'gear'}
    <h1 class="text-4xl">{texts.gearOn}</h1>
    <p class="mt-1 mb-3 text-lg">
        {run.base}: {run.batches === 1 ? 'one cup' : `${String(run.batches)} cups`}, {measure(run.planned_g, 'mass', bench.units)} in all.
    </p>
    <Cautions cautions={run.cautions} gear={run.gear} />
{:else if kind === 'premix'}
    <WorkedSteps said={run.worked.premix ?? run.worked.mix} />
{:else if kind === 'tare'}
    <h1 class="text-4xl">
        {run.carried
            ? texts.cupOnTheScaleWithWhat(run.batches > 1 ? ` ${String(run.step.batch)}` : '')
            : texts.emptyCupOnTheScale(run.batches > 1 ? ` ${String(run.step.batch)}` : '')}
    </h1>
    {#if run.carried}<p class="mt-3 text-lg">
            In it: {run.cup.fills
                .filter((fill) => fill.poured_g > 0)
                .map((fill) => `${measure(fill.poured_g, 'mass', bench.units, decimalsOf(run.division_g, bench.units))} ${fill.name}`)
                .join(', ')}.
        </p>{/if}
    <p class="mt-3 max-w-prose text-lg">
        {scaled ? 'It is tared when you go on.' : 'Tare the scale with the cup on it.'}
        {run.cup.capacity_ml === null ? '' : `A cup of ${measure(run.cup.capacity_ml, 'volume', bench.units)} or more.`}
    </p>
    {#if scaled}<p class="fig mt-4 text-5xl font-bold">
            {figure(live.scale.grams, 'mass', bench.units, decimalsOf(run.division_g, bench.units))}
        </p>{/if}
{:else if kind === 'fill'}
    <WorkedSteps said={run.worked.fill} />
    {#if run.worked.turn_s !== null}<Turning {run} every={run.worked.turn_s} />{/if}
{/if}
