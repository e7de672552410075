<script lang="ts">
    /** What a contact comes to, as a shape and never as a colour alone: tick, question, bar, cross. */
    export type Kind = 'good' | 'ask' | 'mind' | 'stop';
    let { kind, size = 26 }: { kind: Kind; size?: number } = $props();
</script>

<svg width={size} height={size} viewBox="0 0 26 26" aria-hidden="true" class={kind}>
    {#if kind === 'good'}
        <circle cx="13" cy="13" r="12" /><path d="M7.5 13.5 L11.5 17.5 L19 9.5" />
    {:else if kind === 'ask'}
        <path class="body" d="M13 1.5 L25 23.5 H1 Z" /><path d="M10 12 q0 -3 3 -3 q3 0 3 2.6 q0 1.8 -3 3 M13 18.6 v.6" />
    {:else if kind === 'mind'}
        <path class="body" d="M13 1 L25 13 L13 25 L1 13 Z" /><path d="M8 13 H18" />
    {:else}
        <rect x="1" y="1" width="24" height="24" rx="4" /><path d="M8.5 8.5 L17.5 17.5 M17.5 8.5 L8.5 17.5" />
    {/if}
</svg>

<style>
    svg {
        flex: none;
    }
    circle,
    rect,
    .body {
        fill: var(--tone);
        stroke: none;
    }
    path {
        fill: none;
        stroke: var(--color-base-100);
        stroke-width: 3;
        stroke-linecap: round;
        stroke-linejoin: round;
    }
    .good {
        --tone: var(--color-success);
    }
    .ask,
    .mind {
        --tone: var(--color-warning);
    }
    .stop {
        --tone: var(--color-error);
    }
</style>
