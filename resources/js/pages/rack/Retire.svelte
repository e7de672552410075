<script lang="ts">
    /** The end of a mould, and the next of it from the same original. */
    import { router } from '@inertiajs/svelte';
    import type { Tell } from '../../lib/tell.svelte';
    import Choice from '../../parts/Choice.svelte';
    import type { MouldPageView } from '../../types/server';
    import { whys } from './words';
    import * as texts from './texts';

    let { told }: { told: Tell<MouldPageView> } = $props();
    let why = $state('worn');
    const mould = $derived(told.view);
</script>

<section aria-label={texts.retireIt} class="grid gap-2">
    <h2 class="text-2xl">{mould.retired_ms === null ? texts.itsEnd : texts.theNextOfIt}</h2>
    {#if mould.retired_ms === null}
        <Choice label={texts.whyItIsRetired} bind:value={why}
            >{#each Object.entries(whys) as [id, word] (id)}<option value={id}>{word}</option>{/each}</Choice
        >
    {/if}
    <p class="flex flex-wrap gap-2">
        <button
            class="btn"
            disabled={mould.from !== null && mould.from.gone_ms !== null}
            onclick={() => router.post(`/rack/${String(mould.id)}/remake`, { why })}
            >{mould.retired_ms === null ? texts.retireItAndReMakeIt : texts.reMakeIt}{mould.from === null
                ? ''
                : texts.fromWord(mould.from.name)}</button
        >
        {#if mould.retired_ms === null}<button class="btn btn-ghost" disabled={told.busy} onclick={() => void told.tell('retired', { why })}
                >{texts.onlyRetireIt}</button
            >{/if}
    </p>
    {#if mould.from !== null && mould.from.gone_ms !== null}<p class="quiet text-sm">
            {mould.from.name} is gone: a good cast of it can become the next original.
        </p>{/if}
</section>
