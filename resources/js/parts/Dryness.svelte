<script lang="ts">
    /** Is it dry? The scale says so: each weighing, how it stands, and when it will be. */
    import { bench } from '../lib/bench.svelte';
    import { figure, measure } from '../lib/units';
    import { when } from '../lib/when';
    import type { DrynessView } from '../types/server';
    import Measure from './Measure.svelte';
    import * as texts from './Dryness.texts';

    let { dry, onweigh }: { dry: DrynessView; onweigh: (mass_g: number) => void } = $props();
    let mass = $state<number | string | null>(null);
    const stands: Record<string, string> = { wet: 'It is wet.', drying: 'It is drying.', dry: 'Proved dry.' };

    /** What it lost since the weighing before, or took up: plaster drinks from a damp room. */
    function against(mass_g: number, before_g: number | undefined): string {
        if (before_g === undefined) {
            return '';
        }
        const lost = (1 - mass_g / before_g) * 100;
        const pct = figure(Math.abs(lost), 'percent', 'metric', 1);
        return Math.abs(lost) < 0.05 ? ', as before' : `, ${pct} % ${lost > 0 ? 'less' : 'more'} than before`;
    }
</script>

<form
    class="weigh"
    onsubmit={(event) => {
        event.preventDefault();
        if (typeof mass === 'number') {
            onweigh(mass);
            mass = null;
        }
    }}
>
    <Measure label={texts.itWeighsNow} kind="mass" bind:value={mass} />
    <button class="btn big" disabled={typeof mass !== 'number'}>{texts.writeItDown}</button>
</form>
{#if dry.state !== null}
    <p class="mt-2 text-lg" role="status">
        <b>{stands[dry.state]}</b>
        {#if dry.state === 'drying' && dry.at_ms !== null}
            It will be dry {when(dry.at_ms, bench.now)}, at about <b class="fig">{measure(dry.dry_mass_g, 'mass', bench.units)}</b>; {figure(
                dry.left_pct,
                'percent',
                'metric',
                1,
            )} % of that was still to go at the last weighing. That is a forecast: it is proved when it stands still over half a day.
        {:else if dry.state === 'dry' && dry.at_ms !== null}
            It has stood still since {when(dry.at_ms, bench.now)}, at <b class="fig">{measure(dry.dry_mass_g, 'mass', bench.units)}</b>.
        {/if}
    </p>
{/if}
{#if dry.expected_g !== null}<p>
        By what was poured it weighs <b class="fig">{measure(dry.expected_g, 'mass', bench.units)}</b> when it is dry.
    </p>{/if}
{#each dry.says as says (says)}<p class="mt-1">{says}</p>{/each}
{#if dry.weighings.length > 0}
    <ol class="mt-2" aria-label={texts.weighings}>
        {#each dry.weighings as weighing, i (i)}
            <li>
                {when(weighing.at_ms, bench.now)}: <b class="fig">{measure(weighing.mass_g, 'mass', bench.units)}</b>{against(
                    weighing.mass_g,
                    dry.weighings[i - 1]?.mass_g,
                )}
            </li>
        {/each}
    </ol>
{/if}

<style>
    .weigh {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: end;
        margin-top: 0.9rem;
    }
    .big {
        min-height: 3.5rem;
        font-size: 1.05rem;
    }
</style>
