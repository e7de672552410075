<script lang="ts">
    /** Pours a past pour again, scaled to a new mass; its sheet opens with the grams in it. */
    import { router } from '@inertiajs/svelte';
    import { refused } from '../lib/refused';
    import type { Entry } from '../lib/units';
    import Measure from './Measure.svelte';

    let { pour, grams, what, small = false }: { pour: number; grams: number | null; what: string; small?: boolean } = $props();

    let open = $state(false);
    let mass = $state<Entry>(null);
    let asked = $state(false);
    const error = $derived(asked ? refused('again') : null);

    function scale(): void {
        asked = true;
        router.post(`/pours/${String(pour)}/again`, { mass_g: mass }, { preserveState: 'errors', preserveScroll: true });
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
        <Measure label="New mass" kind="mass" bind:value={mass} {error} />
        <button class="btn" disabled={mass === null}>Scale it</button>
    </form>
{:else}
    <button
        class="btn {small ? 'btn-ghost btn-xs -ml-2' : 'btn-sm'}"
        aria-label="Pour this again: {what}"
        onclick={() => {
            open = true;
            mass = grams === null ? null : Math.round(grams * 10) / 10;
        }}>Pour this again</button
    >
{/if}

<style>
    .again {
        display: flex;
        align-items: end;
        gap: 0.5rem;
    }
</style>
