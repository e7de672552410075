<script lang="ts">
    /** What was found, kept: in a sheet that is being planned, or as a formula with a name. */
    import type { RequestPayload } from '@inertiajs/core';
    import { router } from '@inertiajs/svelte';
    import type { Snippet } from 'svelte';
    import { refused } from '../../lib/refused';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { Batch } from './BatchPick.svelte';
    import * as texts from './texts';

    type Props = {
        recipe: () => { base: string; additives: Additive[] };
        note: () => string;
        batch: Batch;
        weighed: boolean;
        ready: boolean;
        onwrite: (pour: number) => void;
        /** What else goes into the formula, asked before its name. */
        children?: Snippet;
    };
    let { recipe, note, batch, weighed, ready, onwrite, children }: Props = $props();

    let name = $state('');

    function keep(event: SubmitEvent): void {
        event.preventDefault();
        router.post('/formulas', { name, new: true, kind: 'mix', note: note(), recipe: recipe() } as RequestPayload);
    }
</script>

<div class="grid gap-2">
    {#if 'pour_id' in batch}
        {@const pour = batch.pour_id}
        <button class="btn btn-primary" disabled={!ready || !weighed} onclick={() => onwrite(pour)}>{texts.putItIntoThatSheet}</button>
    {/if}
    {@render children?.()}
    <form onsubmit={keep}>
        <TextLine label={texts.keepItAsAFormulaNamed} bind:value={name} maxlength={120} />
        <button class="btn" disabled={!ready || name.trim() === ''}>{texts.keepIt}</button>
    </form>
    {#each ['keep', 'batch'] as field (field)}
        <Wrong says={refused(field)} />
    {/each}
</div>

<style>
    form {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.5rem;
        align-items: end;
    }
</style>
