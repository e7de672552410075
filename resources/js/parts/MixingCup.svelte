<script lang="ts">
    /** The cup in true proportion: every ingredient as high as it stands, the line where this weighing ends. */
    import { bench } from '../lib/bench.svelte';
    import { figure, sign } from '../lib/units';
    import type { RunView } from '../types/server';

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
    const labels = $derived.by(() => {
        let last = BOTTOM + 40;
        return layers.map((layer) => {
            last = Math.min(last - 40, (layer.from + layer.to) / 2);
            return { ...layer, y: last };
        });
    });
</script>

<svg
    viewBox="0 0 330 470"
    class="cup"
    role="img"
    aria-label={layers.length === 0
        ? 'The cup is empty'
        : `In the cup: ${layers.map((l) => `${l.name} ${figure(l.now, 'mass', bench.units)} ${sign('mass', bench.units)}`).join(', ')}`}
>
    {#each layers as layer (layer.code)}
        <path
            d="M{edge(layer.from)} {layer.from} L{edge(layer.to)} {layer.to} Q115 {layer.to + 5} {230 - edge(layer.to)} {layer.to} L{230 -
                edge(layer.from)} {layer.from} Q115 {layer.from + 5} {edge(layer.from)} {layer.from} Z"
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
    {#each labels as label (label.code)}
        <path d="M{226 - edge(label.y)} {(label.from + label.to) / 2} L234 {label.y}" stroke="var(--color-neutral)" stroke-width="1.5" />
        <text x="238" y={label.y - 2} class="who">{label.name.length > 11 ? `${label.name.slice(0, 10)}…` : label.name}</text>
        <text x="238" y={label.y + 15} class="much">{figure(label.now, 'mass', bench.units)} {sign('mass', bench.units)}</text>
    {/each}
</svg>

<style>
    .cup {
        width: 100%;
        max-height: 62vh;
    }
    .who {
        font-weight: 700;
        font-size: 15px;
        fill: var(--color-base-content);
    }
    .much {
        font-family: var(--font-mono);
        font-size: 14px;
        fill: var(--color-neutral);
    }
</style>
