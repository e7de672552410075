<script lang="ts">
    /** Where a jump that has begun could go; it stands until the second key. */
    import { begun } from '../lib/keys.svelte';

    let { screens }: { screens: { name: string; key: string }[] } = $props();
</script>

<p class:jumps={begun.key === 'g'} aria-live="polite">
    {#if begun.key === 'g'}
        Go to
        {#each screens as s (s.key)}<span><kbd class="kbd kbd-sm">{s.key}</kbd> {s.name}</span>{/each}
        <span class="quiet"><kbd class="kbd kbd-sm">Esc</kbd> stay here</span>
    {/if}
</p>

<style>
    .jumps {
        position: fixed;
        inset-inline: 0;
        bottom: 1rem;
        z-index: 40;
        width: fit-content;
        max-width: calc(100% - 2rem);
        margin-inline: auto;
        display: flex;
        flex-wrap: wrap;
        gap: 0.3rem 0.9rem;
        background: var(--color-secondary);
        color: var(--color-base-content);
        border-radius: 1rem;
        padding: 0.6rem 1.1rem;
        box-shadow: 0 4px 18px #0003;
    }
</style>
