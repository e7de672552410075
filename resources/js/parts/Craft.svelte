<script lang="ts">
    /** A sentence whose words of the craft can be asked about, where this tablet explains them. */
    import { glossary, pieces } from '../lib/glossary.svelte';

    let { text }: { text: string } = $props();
    $effect(() => {
        if (glossary.on) {
            glossary.fetch();
        }
    });
    const parts = $derived(glossary.on ? pieces(text, glossary.words) : [{ text, of: null }]);
</script>

{#each parts as part, i (i)}{#if part.of === null}{part.text}{:else}<button
            type="button"
            class="craft"
            aria-haspopup="dialog"
            onclick={(event) => {
                event.preventDefault();
                event.stopPropagation();
                glossary.asked = part.of;
            }}>{part.text}</button
        >{/if}{/each}

<style>
    .craft {
        display: inline;
        min-height: 0;
        padding: 0;
        font: inherit;
        color: inherit;
        text-align: inherit;
        text-decoration: underline dotted;
        text-underline-offset: 0.2em;
        cursor: help;
    }
</style>
