<script lang="ts">
    /** The head of a swatch screen: what it answers, and the rooms of the swatch bench. */
    import type { Snippet } from 'svelte';
    import Parts from './Parts.svelte';

    let { title, children }: { title: string; children?: Snippet } = $props();
</script>

<svelte:head><title>{title} · Apalos</title></svelte:head>

<div class="head">
    {#if children !== undefined}<div>{@render children()}</div>{:else}<h1 class="text-3xl">{title}</h1>{/if}
    <Parts />
</div>

<style>
    .head {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        align-items: baseline;
        gap: 0.3rem 2rem;
    }
</style>
