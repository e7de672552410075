<script lang="ts" module>
    import type { Entry } from '../../lib/units';
    import type { DraftView } from '../../types/server';

    /** What grams are wanted for: a mass, a volume, or a pour that is being planned. */
    export type Batch = { mass_g: Entry } | { volume_ml: Entry } | { pour_id: number } | Pieces;
    type Pieces = { pieces: Entry; each_ml: Entry; spout_ml: Entry };

    /** The pour one comes from, as the address names it, where it is of this base; else a hundred grams. */
    export function asked(drafts: DraftView[], base: string): Batch {
        const from = Number(new URLSearchParams(location.search).get('pour'));
        return drafts.some((d) => d.id === from && d.base === base) ? { pour_id: from } : { mass_g: 100 };
    }
</script>

<script lang="ts">
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import * as texts from './texts';

    type Props = { batch: Batch; drafts: DraftView[]; wrong: string | null; onchange: () => void };
    let { batch = $bindable(), drafts, wrong, onchange }: Props = $props();

    const by = $derived(
        'pour_id' in batch ? String(batch.pour_id) : 'volume_ml' in batch ? 'volume' : 'pieces' in batch ? 'pieces' : 'mass',
    );

    function set(to: Batch): void {
        batch = to;
        onchange();
    }
    const choose = (what: string): void =>
        set(
            what === 'mass'
                ? { mass_g: 100 }
                : what === 'volume'
                  ? { volume_ml: 100 }
                  : what === 'pieces'
                    ? { pieces: 10, each_ml: 10, spout_ml: 0 }
                    : { pour_id: Number(what) },
        );
</script>

<div class="batch">
    <Choice label={texts.howMuchFor} value={by} onchange={(value) => choose(value)}>
        <option value="mass">{texts.aWeightOf}</option>
        <option value="volume">{texts.aVolumeOf}</option>
        <option value="pieces">{texts.soManyPieces}</option>
        {#each drafts as d (d.id)}<option value={String(d.id)}>{d.name}</option>{/each}
    </Choice>
    {#if 'mass_g' in batch}
        <Measure label={texts.batch} kind="mass" value={batch.mass_g} error={wrong} onchange={(mass_g) => set({ mass_g })} />
    {:else if 'volume_ml' in batch}
        <Measure label={texts.itHolds} kind="volume" value={batch.volume_ml} error={wrong} onchange={(volume_ml) => set({ volume_ml })} />
    {:else if 'pieces' in batch}
        {@const of = batch}
        <Measure label={texts.pieces} kind="plain" value={of.pieces} error={wrong} onchange={(pieces) => set({ ...of, pieces })} />
        <Measure label={texts.eachTakes} kind="volume" value={of.each_ml} onchange={(each_ml) => set({ ...of, each_ml })} />
        <Measure label={texts.sprueOfEach} kind="volume" value={of.spout_ml} onchange={(spout_ml) => set({ ...of, spout_ml })} />
    {:else if wrong !== null}
        <p class="font-bold text-error self-end" role="alert">{wrong}</p>
    {/if}
</div>

<style>
    .batch {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.6rem;
    }
</style>
