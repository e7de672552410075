<script lang="ts">
    /** A mould as what is left of it: the block stands as high as its life is long, frayed where nobody knows. */
    type Left = { low: number; likely: number; high: number };
    let { casts, left, colour, title }: { casts: number; left: Left | null; colour: string | null; title: string } = $props();
    const id = $props.id();
    const H = 74;
    const at = (remaining: number): number => (casts + remaining === 0 ? 0 : (H * casts) / (casts + remaining));
    const top = $derived(left === null ? H : at(left.high));
    const likely = $derived(left === null ? H : at(left.likely));
    const sure = $derived(left === null ? H : at(Math.max(left.low, 0)));
</script>

<svg viewBox="0 0 120 {H + 6}" role="img" aria-label={title} preserveAspectRatio="xMidYMax meet">
    <defs>
        <pattern id="{id}-fray" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
            ><rect width="3" height="6" fill="color-mix(in oklab, {colour ?? 'var(--color-neutral)'} 75%, currentColor)" /></pattern
        >
    </defs>
    <path
        d="M8 4 q2 -3 8 -3 h88 q6 0 8 3 l4 {H - 4} h-112 z"
        fill="none"
        stroke="currentColor"
        stroke-width="1.2"
        stroke-dasharray="3 3"
        opacity="0.5"
    />
    <clipPath id="{id}-clip"><path d="M8 4 q2 -3 8 -3 h88 q6 0 8 3 l4 {H - 4} h-112 z" /></clipPath>
    <g clip-path="url(#{id}-clip)">
        <rect x="0" y={top} width="120" height={Math.max(0, sure - top)} fill="url(#{id}-fray)" opacity="0.75" />
        <rect
            x="0"
            y={sure}
            width="120"
            height={H - sure + 4}
            fill={colour ?? 'var(--color-neutral)'}
            stroke="currentColor"
            stroke-width="0.8"
        />
        {#if left !== null && casts > 0}<line x1="0" x2="120" y1={likely} y2={likely} stroke="currentColor" stroke-width="2" />{/if}
    </g>
    <path d="M4 {H} h112" stroke="currentColor" stroke-width="1.5" />
</svg>

<style>
    svg {
        width: 100%;
        height: 100%;
    }
</style>
