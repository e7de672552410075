<script lang="ts">
    /** Laid on before what is below is ready: asked about once. */
    import type { LiveRun } from '../../lib/run.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();
</script>

{#if live.doubted !== null && live.doubted.fact.away !== true && live.doubted.fact.kind === 'confirmed'}
    <section class="doubt" role="alert" aria-label={texts.isItReadyForIt}>
        <p><b>{live.doubted.why}</b></p>
        <p class="mt-2 flex flex-wrap gap-2">
            <button class="btn big" onclick={() => (live.doubted = null)}>{texts.notYet}</button>
            <button
                class="btn big"
                onclick={() => {
                    live.doubted = null;
                    void live.record('confirmed', { step: live.run.step.key, sure: true }, 'sure');
                }}>{texts.itWasReadyAndItWent}</button
            >
        </p>
    </section>
{/if}

<style>
    .big {
        min-height: 3.5rem;
        height: auto;
    }
    .doubt {
        border-left: 6px solid var(--color-warning);
        padding: 0.4rem 0 0.4rem 1.1rem;
        margin-top: 0.8rem;
        max-width: 60ch;
    }
</style>
