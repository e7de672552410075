<script lang="ts">
    /** One way as a line through time: tests, moulds, waits, casts, and when it is done. All ways beside each other have the same scale. */
    import { dayInWords } from '../../lib/when';
    import type { Way } from '../../lib/ways';

    let { way, from, to, due }: { way: Way; from: number; to: number; due: number | null } = $props();
    const W = 300;
    const x = (ms: number): number => 6 + (W - 20) * Math.max(0, Math.min(1, (ms - from) / Math.max(1, to - from)));
    const y = 21;
    const days = $derived.by(() => {
        const all: number[] = [];
        const day = 86_400_000;
        const many = (to - from) / day;
        const step = many > 60 ? 14 : many > 20 ? 7 : many > 8 ? 2 : 1;
        for (let at = from; at < to; at += step * day) {
            all.push(at);
        }
        return all;
    });
    const says = $derived(
        `${way.line.filter((step) => step.stage !== 'cast').length === 0 ? 'No mould to make. ' : ''}Done ${dayInWords(way.done_ms)}.`,
    );
</script>

<svg viewBox="0 0 {W} 42" role="img" aria-label={says}>
    {#each days as at (at)}<path d="M{x(at)} 35 V39" stroke="var(--color-base-300)" />{/each}
    <path d="M6 {y} H{x(way.done_ms)}" stroke="var(--color-neutral)" stroke-width="1.2" stroke-dasharray="2 3" />
    {#if due !== null && due <= to}<path d="M{x(due)} 3 V39" stroke="var(--color-accent)" stroke-width="2" />{/if}
    {#each way.line as step, i (i)}
        {@const a = x(step.from_ms)}
        {@const wide = Math.max(3.5, x(step.to_ms) - a)}
        {#if step.stage === 'test'}
            <path d="M{a} {y - 7} l6 7 l-6 7 l-6 -7 z" fill="var(--color-warning)" stroke="var(--color-base-content)" stroke-width="1" />
        {:else if step.stage === 'mould'}
            <rect x={a} y={y - 9} width={wide} height="18" rx="3" fill="var(--color-base-content)" />
        {:else if step.stage === 'prepare'}
            <rect x={a} y={y - 4} width={wide} height="8" fill="var(--color-neutral)" />
        {:else}
            <rect
                x={a}
                y={y - 6}
                width={wide}
                height="12"
                rx={Math.min(6, wide / 2)}
                fill="color-mix(in oklab, var(--color-success) 70%, var(--color-secondary))"
                stroke="var(--color-base-content)"
                stroke-width="0.8"
            />
        {/if}
    {/each}
    <circle
        cx={x(way.done_ms)}
        cy={y}
        r="6"
        fill="var(--color-secondary)"
        stroke={way.late_min > 0 ? 'var(--color-error)' : 'var(--color-success)'}
        stroke-width="3"
    />
</svg>

<style>
    svg {
        width: 100%;
        height: auto;
    }
</style>
