<script lang="ts">
    /** The cup in true proportion: every ingredient as high as it stands, the line where this weighing ends. */
    import { bench } from '../lib/bench.svelte';
    import { figure, sign } from '../lib/units';
    import type { RunView } from '../types/server';
    import * as texts from './MixingCup.texts';

    type Props = { cup: RunView['cup']; live: number | null; adding: string | null; target: number | null };
    let { cup, live, adding, target }: Props = $props();

    const TOP = 20;
    const BOTTOM = 440;
    // A cup leans outwards by a tenth; heights are taken along its axis, which is true enough to the eye.
    const capacity = $derived(cup.capacity_ml ?? (cup.mass_g / cup.sg) * 1.6);
    const scale = $derived((BOTTOM - TOP) / Math.max(capacity, (cup.mass_g / cup.sg) * 1.05));
    const height = (grams: number): number => (grams / cup.sg) * scale;
    const edge = (y: number): number => 30 + ((BOTTOM - y) / (BOTTOM - TOP)) * -26;

    const layers = $derived.by(() => {
        let y = BOTTOM;
        return cup.fills
            .map((fill) => ({
                ...fill,
                now: fill.poured_g + (fill.code === adding && live !== null ? Math.max(0, live - cup.display_g) : 0),
            }))
            .filter((fill) => fill.now > 0)
            .map((fill) => {
                const from = y;
                y = Math.max(TOP - 8, y - height(fill.now));
                return { ...fill, from, to: y };
            });
    });
    const lineY = $derived(target === null ? null : Math.max(TOP, BOTTOM - height(target)));
</script>

<div class="cup">
    <svg
        viewBox="-6 0 244 470"
        role="img"
        aria-label={layers.length === 0
            ? texts.theCupIsEmpty
            : texts.inTheCup(layers.map((l) => `${l.name} ${figure(l.now, 'mass', bench.units)} ${sign('mass', bench.units)}`).join(', '))}
    >
        {#each layers as layer (layer.code)}
            <path
                d="M{edge(layer.from)} {layer.from} L{edge(layer.to)} {layer.to} Q115 {layer.to + 5} {230 -
                    edge(layer.to)} {layer.to} L{230 - edge(layer.from)} {layer.from} Q115 {layer.from + 5} {edge(
                    layer.from,
                )} {layer.from} Z"
                fill={layer.colour}
                stroke="color-mix(in oklab, {layer.colour} 80%, black)"
                stroke-width="1"
            />
        {/each}
        {#if lineY !== null}<path d="M-4 {lineY} H234" stroke="var(--color-accent)" stroke-width="3" stroke-dasharray="4 5" />{/if}
        <path
            d="M4 {TOP - 6} L30 {BOTTOM} Q115 {BOTTOM + 10} 200 {BOTTOM} L226 {TOP - 6}"
            fill="none"
            stroke="var(--color-base-content)"
            stroke-width="5"
            stroke-linecap="round"
            stroke-linejoin="round"
        />
    </svg>
    <ul aria-hidden="true">
        {#each [...layers].reverse() as layer (layer.code)}
            <li>
                <i style="background:{layer.colour}"></i><b>{layer.name}</b>
                <span class="fig quiet">{figure(layer.now, 'mass', bench.units)} {sign('mass', bench.units)}</span>
            </li>
        {/each}
    </ul>
</div>

<style>
    .cup {
        display: grid;
        grid-template-columns: minmax(0, 1.6fr) minmax(5.5rem, 1fr);
        gap: 0.75rem;
        align-items: end;
    }
    svg {
        width: 100%;
        max-height: 58vh;
    }
    ul {
        display: grid;
        gap: 0.5rem;
        padding-bottom: 0.5rem;
    }
    li {
        display: grid;
        grid-template-columns: 0.9rem 1fr;
        gap: 0 0.45rem;
        align-items: baseline;
        line-height: 1.2;
    }
    li span {
        grid-column: 2;
    }
    i {
        width: 0.9rem;
        height: 0.9rem;
        border-radius: 0.25rem;
        border: 1px solid color-mix(in oklab, currentColor 40%, transparent);
    }
</style>
