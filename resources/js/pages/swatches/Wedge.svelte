<script lang="ts">
    /**
     * One colour as a stepped wedge: thin, medium and thick over a light and a dark card, so that an edge and a middle are seen at once.
     */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { TintResult } from '../../types/server';
    import * as texts from './texts';

    let { chips }: { chips: TintResult['chips'] } = $props();
    const steps = $derived(['light', 'dark'].map((backing) => chips.filter((chip) => chip.backing === backing)));
    const heights = [20, 44, 80];
    const W = 132;
</script>

<svg viewBox="0 0 {W * 3} 236" role="img" aria-label={texts.thinMediumAndThickOverLight}>
    {#each steps as row, r (r)}
        <g transform="translate(0 {r * 118})">
            <rect y="0" width={W * 3} height="118" fill={r === 0 ? '#efece6' : '#2b2724'} />
            {#each row as chip, i (chip.thickness_mm)}
                <rect x={i * W} y={108 - (heights[i] ?? 0)} width={W} height={heights[i]} fill={chip.srgb} />
                <text x={i * W + 8} y={100 - (heights[i] ?? 0)} class="fig" fill={r === 0 ? '#2a211b' : '#f4ecdf'}
                    >{measure(chip.thickness_mm, 'length', bench.units)}</text
                >
            {/each}
            <rect y="108" width={W * 3} height="10" fill={r === 0 ? '#dcd6cb' : '#171412'} />
        </g>
    {/each}
</svg>

<style>
    svg {
        width: 100%;
        height: auto;
        border-radius: 1.1rem;
        display: block;
    }
    text {
        font-size: 16px;
    }
</style>
