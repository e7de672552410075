<script module lang="ts">
    import type { Entry } from '../lib/units';

    /** How much is wanted: so much by mass, or what the mould holds. */
    export type Amount = { by: 'mass' | 'capacity'; mass_g: Entry; capacity_ml: Entry };
    export const said = (amount: Amount): Record<string, Entry> =>
        amount.by === 'mass' ? { mass_g: amount.mass_g } : { capacity_ml: amount.capacity_ml };
    export const isSaid = (amount: Amount): boolean => (amount.by === 'mass' ? amount.mass_g : amount.capacity_ml) !== null;
</script>

<script lang="ts">
    import Choice from './Choice.svelte';
    import Measure from './Measure.svelte';

    let { amount = $bindable(), error = null }: { amount: Amount; error?: string | null } = $props();
</script>

<div class="amount">
    <Choice label="How much" bind:value={amount.by}>
        <option value="mass">so much by mass</option><option value="capacity">the mould holds</option>
    </Choice>
    {#if amount.by === 'mass'}<Measure label="Mass" kind="mass" bind:value={amount.mass_g} {error} />{:else}<Measure
            label="It holds"
            kind="fluid"
            bind:value={amount.capacity_ml}
            {error}
        />{/if}
</div>

<style>
    .amount {
        display: grid;
        grid-template-columns: minmax(8rem, 1fr) minmax(6rem, 1fr);
        gap: 0.5rem;
    }
</style>
