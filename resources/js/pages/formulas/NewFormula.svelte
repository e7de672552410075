<script lang="ts">
    import type { RequestPayload } from '@inertiajs/core';
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ShelfView } from '../../types/server';
    import Written from './Written.svelte';
    import * as texts from './texts';

    let { shelf, paint, error }: { shelf: ShelfView; paint: boolean; error: string | null } = $props();

    let kind = $state(untrack(() => (paint ? 'paint' : 'mix')));
    let recipe = $state<{ base: string; additives: Additive[] }>({ base: '', additives: [] });
    let name = $state('');
    let note = $state('');
    let fresh = $state(true);
</script>

<section class="card-paper my-3 grid gap-3" aria-label={texts.aNewFormula}>
    <fieldset class="flex flex-wrap gap-1">
        <legend class="sr-only">{texts.itIs}</legend>
        <label class="chip" class:on={kind === 'mix'}
            ><input type="radio" class="sr-only" name="new-kind" value="mix" bind:group={kind} />{texts.poured}</label
        >
        <label class="chip" class:on={kind === 'paint'}
            ><input type="radio" class="sr-only" name="new-kind" value="paint" bind:group={kind} />{texts.paintedOn}</label
        >
    </fieldset>
    <Written bind:recipe bind:fresh {shelf} paint={kind === 'paint'}>
        <TextLine label={texts.nameWord} bind:value={name} maxlength={120} />
        <label class="grid gap-1 text-sm"
            ><span class="quiet">{texts.note}</span><textarea class="textarea w-full" bind:value={note}></textarea></label
        >
        <button
            class="btn btn-primary justify-self-start"
            disabled={!fresh || name.trim() === '' || recipe.base === ''}
            onclick={() =>
                router.post('/formulas', { name, kind, note, new: true, recipe: $state.snapshot(recipe) } as RequestPayload, {
                    preserveState: true,
                })}>{texts.keepIt}</button
        >
        <Wrong says={error} />
    </Written>
</section>
