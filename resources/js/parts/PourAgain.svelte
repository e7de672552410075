<script lang="ts">
    /** Pours a past pour again, scaled to a new amount; its sheet opens with it. */
    import { router } from '@inertiajs/svelte';
    import { refused } from '../lib/refused';
    import AmountEntry, { isSaid, said, type Amount } from './AmountEntry.svelte';
    import * as texts from './PourAgain.texts';

    let { pour, grams, what, small = false }: { pour: number; grams: number | null; what: string; small?: boolean } = $props();

    let open = $state(false);
    let amount = $state<Amount>({ by: 'mass', mass_g: null, capacity_ml: null });
    let asked = $state(false);
    const error = $derived(asked ? refused('again') : null);

    function scale(): void {
        asked = true;
        router.post(`/pours/${String(pour)}/again`, said($state.snapshot(amount)), { preserveState: 'errors', preserveScroll: true });
    }
</script>

{#if open}
    <form
        class="again"
        onsubmit={(event) => {
            event.preventDefault();
            scale();
        }}
    >
        <AmountEntry bind:amount {error} />
        <button class="btn" disabled={!isSaid(amount)}>{texts.scaleIt}</button>
    </form>
{:else}
    <button
        class="btn {small ? 'btn-ghost -ml-2' : 'btn-sm'}"
        aria-label={texts.pourThisAgain(what)}
        onclick={() => {
            open = true;
            amount.mass_g = grams === null ? null : Math.round(grams * 10) / 10;
        }}>{texts.pourThisAgainHeading}</button
    >
{/if}

<style>
    .again {
        display: flex;
        align-items: end;
        gap: 0.5rem;
    }
</style>
