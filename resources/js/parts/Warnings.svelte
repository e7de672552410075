<script lang="ts">
    import * as texts from './Warnings.texts';
    let { warnings }: { warnings: { code: string; message: string }[] } = $props();
</script>

{#if warnings.length > 0}
    <ul class="warnings" aria-label={texts.mindThis}>
        {#each warnings as warning, i (warning.code + String(i))}
            <li><span aria-hidden="true" class="mark">!</span><span>{warning.message}</span></li>
        {/each}
    </ul>
{/if}

<style>
    .warnings {
        display: grid;
        gap: 0.5rem;
    }
    li {
        display: grid;
        grid-template-columns: auto 1fr;
        gap: 0.6rem;
        font-size: 0.95rem;
    }
    .mark {
        display: grid;
        place-items: center;
        width: 1.4rem;
        height: 1.4rem;
        border-radius: 0.5rem 0.5rem 0.1rem 0.5rem;
        background: var(--color-warning);
        color: var(--color-warning-content);
        font-weight: 700;
    }
</style>
