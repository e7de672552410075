<script lang="ts">
    import * as texts from './Faces.texts';
    /** The two faces of the bench: what needs hands, and the day it lies in. */
    let { here }: { here: string } = $props();
    const faces = [
        ['/', 'Hands'],
        ['/day', 'Day'],
    ] as const;
</script>

<nav aria-label={texts.facesOfTheBench} class="faces">
    {#each faces as [href, word] (href)}<a {href} aria-current={here === href ? 'page' : undefined}>{word}</a>{/each}
</nav>

<style>
    .faces {
        display: flex;
        gap: 0.4rem;
        margin-bottom: 0.4rem;
    }
    .faces a {
        display: inline-flex;
        align-items: center;
        min-height: 2.75rem;
        padding: 0 1rem;
        border-radius: 999px;
        border: 1.5px solid var(--color-base-300);
    }
    .faces a[aria-current] {
        background: var(--color-primary);
        color: var(--color-primary-content);
        border-color: var(--color-primary);
    }
</style>
