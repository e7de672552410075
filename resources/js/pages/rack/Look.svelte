<script lang="ts">
    /** What one sees on a mould under a lamp. */
    import { untrack } from 'svelte';
    import type { Tell } from '../../lib/tell.svelte';
    import type { MouldPageView } from '../../types/server';
    import { conditions, marks } from './words';
    import * as texts from './texts';

    let { told }: { told: Tell<MouldPageView> } = $props();
    let condition = $state(untrack(() => told.view.condition ?? ''));
    let seen = $state<string[]>(untrack(() => [...told.view.marks]));
    const differs = $derived(
        condition !== '' && (condition !== told.view.condition || [...seen].sort().join() !== [...told.view.marks].sort().join()),
    );
</script>

<section aria-label={texts.condition}>
    <h2 class="text-2xl">{texts.howDoesItLook}</h2>
    <fieldset class="flex flex-wrap gap-1">
        <legend class="quiet text-sm">{texts.itsSkinUnderALamp}</legend>
        {#each Object.entries(conditions) as [id, word] (id)}
            <label class="chip" class:on={condition === id}
                ><input type="radio" class="sr-only" name="condition" value={id} bind:group={condition} />{word}</label
            >
        {/each}
    </fieldset>
    <fieldset class="mt-1 flex flex-wrap gap-x-5">
        <legend class="quiet text-sm">{texts.marks}</legend>
        {#each Object.entries(marks) as [id, word] (id)}
            <label class="flex min-h-11 items-center gap-2"
                ><input type="checkbox" class="checkbox" value={id} bind:group={seen} />{word}</label
            >
        {/each}
    </fieldset>
    {#if differs}<button
            class="btn btn-primary mt-1"
            disabled={told.busy}
            onclick={() => void told.tell('looked', { condition, marks: seen })}>{texts.thatIsHowItLooks}</button
        >{/if}
</section>
