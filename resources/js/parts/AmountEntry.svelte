<script module lang="ts">
    import type { Entry } from '../lib/units';

    /** How much is wanted: so much by mass, what the mould holds, or so many pieces of so much each. */
    export type Amount = {
        by: 'mass' | 'capacity' | 'pieces';
        mass_g: Entry;
        capacity_ml: Entry;
        pieces?: Entry;
        each_ml?: Entry;
        spout_ml?: Entry;
    };
    export const said = (amount: Amount): Record<string, Entry> =>
        amount.by === 'mass'
            ? { mass_g: amount.mass_g }
            : amount.by === 'capacity'
              ? { capacity_ml: amount.capacity_ml }
              : { pieces: amount.pieces ?? null, each_ml: amount.each_ml ?? null, spout_ml: amount.spout_ml ?? null };
    export const isSaid = (amount: Amount): boolean =>
        amount.by === 'pieces'
            ? amount.pieces != null && amount.each_ml != null
            : (amount.by === 'mass' ? amount.mass_g : amount.capacity_ml) !== null;
</script>

<script lang="ts">
    import Choice from './Choice.svelte';
    import Measure from './Measure.svelte';
    import * as texts from './AmountEntry.texts';

    let { amount = $bindable(), error = null }: { amount: Amount; error?: string | null } = $props();
</script>

<div class="amount">
    <Choice label={texts.howMuch} bind:value={amount.by}>
        <option value="mass">{texts.soMuchByMass}</option><option value="capacity">{texts.theMouldHolds}</option><option value="pieces"
            >{texts.soManyPieces}</option
        >
    </Choice>
    {#if amount.by === 'mass'}<Measure
            label={texts.mass}
            kind="mass"
            bind:value={amount.mass_g}
            {error}
        />{:else if amount.by === 'capacity'}<Measure label={texts.itHolds} kind="fluid" bind:value={amount.capacity_ml} {error} />{:else}
        <Measure label={texts.pieces} kind="plain" bind:value={amount.pieces} {error} />
        <Measure label={texts.eachTakes} kind="fluid" bind:value={amount.each_ml} />
        <Measure label={texts.sprueOfEach} kind="fluid" bind:value={amount.spout_ml} hint={texts.whereItIsPouredThroughOne} />
    {/if}
</div>

<style>
    .amount {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
        gap: 0.5rem;
        align-items: start;
    }
</style>
