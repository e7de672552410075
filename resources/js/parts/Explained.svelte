<script lang="ts">
    /** What a word of the craft means: one sentence and one mark, over whatever is on the screen. */
    import { glossary } from '../lib/glossary.svelte';
    import * as texts from './Explained.texts';

    const word = $derived(glossary.asked);
</script>

<svelte:window
    onkeydown={(event) => {
        if (word !== null && event.key === 'Escape') {
            glossary.asked = null;
        }
    }}
/>

{#if word !== null}
    <div class="explained" role="dialog" aria-modal="false" aria-labelledby="explained-word">
        <svg viewBox="0 0 24 24" aria-hidden="true"><path d={word.mark} /></svg>
        <div>
            <h2 id="explained-word" class="text-xl">{word.word}</h2>
            <p>{word.says}</p>
        </div>
        <button class="btn" onclick={() => (glossary.asked = null)}>{texts.close}</button>
    </div>
{/if}

<style>
    .explained {
        position: fixed;
        inset: auto 1rem 1rem;
        z-index: 60;
        display: grid;
        grid-template-columns: auto minmax(0, 1fr) auto;
        align-items: center;
        gap: 1rem;
        max-width: 46rem;
        margin-inline: auto;
        padding: 1rem 1.2rem;
        background: var(--color-secondary);
        border: 2px solid var(--color-base-content);
        border-radius: var(--radius-box);
        box-shadow: 0 0.5rem 1.5rem rgb(0 0 0 / 25%);
    }
    svg {
        width: 3.5rem;
        height: 3.5rem;
        fill: none;
        stroke: var(--color-base-content);
        stroke-width: 1.6;
        stroke-linecap: round;
        stroke-linejoin: round;
    }
    @media (max-width: 620px) {
        .explained {
            grid-template-columns: auto minmax(0, 1fr);
            bottom: 5rem;
        }
        .explained .btn {
            grid-column: 1 / -1;
        }
    }
</style>
