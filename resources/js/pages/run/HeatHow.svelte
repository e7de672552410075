<script lang="ts">
    /** Below the hand: how it is heated, what was read so far, and the stand-in's pot where there is no real one. */
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { practice } from '../../lib/practice.svelte';
    import { measure } from '../../lib/units';
    import { clockTime } from '../../lib/when';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run, heat }: { run: RunView; heat: NonNullable<RunView['heat']> } = $props();
    /** How the plate was turned last, as far as this screen knows. */
    let plate = $state('OFF');
    function turn(line: string): void {
        plate = line.startsWith('=') ? plate : line;
        void ask('POST', '/devices/probe/hand', { line });
    }
    const stove = [
        ['ON', 'Heat on'],
        ['OFF', 'Heat off'],
        ['=172', 'Warm at once'],
    ] as const;
</script>

<ul class="how">
    {#each run.worked.mix.points as point (point)}<li>{point}</li>{/each}
</ul>
{#if heat.readings.length > 0}
    <p class="quiet mt-3">
        Read: {heat.readings.map((one) => `${measure(one.c, 'temperature', bench.units, 0)} at ${clockTime(one.at_ms)}`).join(', ')}.
    </p>
{/if}
{#if bench.frame?.simulated && bench.frame.probe}
    <aside class="stove" aria-label={texts.standInPot}>
        <span class="quiet text-sm">Stand-in pot</span>
        {#each stove.filter(([line]) => practice.id === null || !line.startsWith('=')) as [line, name] (line)}<button
                type="button"
                class="btn btn-sm"
                aria-pressed={line.startsWith('=') ? undefined : line === plate}
                onclick={() => turn(line)}>{name}</button
            >{/each}
    </aside>
{/if}

<style>
    .how {
        display: grid;
        gap: 0.4rem;
        font-size: 1.1rem;
        max-width: 60ch;
        margin-top: 1.2rem;
    }
    .how li {
        padding-left: 1rem;
        border-left: 4px solid var(--color-base-300);
    }
    .stove {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.4rem 0.7rem;
        border: 1.5px dashed var(--color-base-300);
        border-radius: 1rem;
        padding: 0.35rem 0.9rem;
        margin-top: 1rem;
        width: fit-content;
    }
    .stove [aria-pressed='true'] {
        background: var(--color-neutral);
        color: var(--color-neutral-content);
    }
</style>
