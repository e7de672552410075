<script lang="ts">
    /** Reading the colour of a swatch over a card, with an instrument or off a photo. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { type Entry, figure } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import type { DrawerView, PhotoPatchResult } from '../../types/server';
    import PhotoPatch from './PhotoPatch.svelte';
    import * as texts from './texts';

    type Card = 'white' | 'black';
    let { url, cards, ondone }: { url: string; cards: DrawerView['cards']; ondone: () => void } = $props();

    let backing = $state<Card>('white');
    let lab = $state<Entry[]>([null, null, null]);
    let taken = $state<PhotoPatchResult | null>(null);
    let offPhoto = $state(false);
    let bare = $state<Record<Card, Entry[]>>(untrack(() => ({ white: [...cards.white], black: [...cards.black] })));
    let ofCard = $state(false);
    const axes = ['L', 'a', 'b'] as const;
    const one = (v: Entry | undefined): string => (typeof v === 'number' ? figure(v, 'plain', 'metric', 1) : '');

    function write(event: SubmitEvent): void {
        event.preventDefault();
        router.post(
            `${url}/readings`,
            {
                kind: 'colour',
                lab: [...lab],
                backing,
                card_lab: [...bare[backing]],
                ...(taken === null ? { source: 'instrument' } : { source: 'photo', within_delta_e: taken.within_delta_e }),
            },
            { preserveScroll: true, onSuccess: ondone },
        );
    }
</script>

<form onsubmit={write}>
    <fieldset class="flex flex-wrap gap-1">
        <legend class="quiet text-sm">{texts.itLiesOn}</legend>
        {#each ['white', 'black'] as const as card (card)}<label class="chip" class:on={backing === card}
                ><input type="radio" class="sr-only" name="backing" value={card} bind:group={backing} />{texts.the}
                {card}
                {texts.card}</label
            >{/each}
    </fieldset>
    <div class="three">
        {#each axes as axis, i (axis)}<Measure label={axis} kind="plain" bind:value={lab[i]} onchange={() => (taken = null)} />{/each}
    </div>
    <button type="button" class="btn btn-sm justify-self-start" aria-expanded={offPhoto} onclick={() => (offPhoto = !offPhoto)}
        >{texts.offAPhoto}</button
    >
    {#if offPhoto}<PhotoPatch
            ontake={(result) => {
                taken = result;
                lab = result.lab.map((v) => Math.round(v * 10) / 10);
            }}
        />{/if}
    <p class="quiet text-sm">
        The bare {backing} card is taken as
        <span class="fig">L {one(bare[backing][0])} a {one(bare[backing][1])} b {one(bare[backing][2])}</span>.
        <button type="button" class="link" aria-expanded={ofCard} onclick={() => (ofCard = !ofCard)}>{texts.mineIsAnother}</button>
    </p>
    {#if ofCard}
        <div class="three">
            {#each axes as axis, i (axis)}<Measure label={texts.ofTheCard(axis)} kind="plain" bind:value={bare[backing][i]} />{/each}
        </div>
    {/if}
    <button class="btn btn-primary" disabled={lab.some((v) => v === null)}>{texts.writeItDown}</button>
</form>

<style>
    form {
        display: grid;
        gap: 0.7rem;
        margin-top: 0.8rem;
    }
    .three {
        display: grid;
        grid-template-columns: repeat(3, 1fr);
        gap: 0.6rem;
    }
</style>
