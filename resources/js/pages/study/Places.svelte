<script lang="ts">
    /** Where something lies in the piece, moved by hand along its three axes from the middle of its volume. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import * as texts from './texts';

    type Place = [number, number, number];
    type Props = { what: string; at: Place; middle: Place; size: readonly number[]; onmove: (at: Place) => void };
    let { what, at, middle, size, onmove }: Props = $props();
    const axes = ['along x', 'along y', 'along z'] as const;

    function move(axis: number, mm: number): void {
        const next: Place = [...at];
        next[axis] = (middle[axis] ?? 0) + mm;
        onmove(next);
    }
</script>

<fieldset class="places">
    <legend class="quiet">{texts.fromTheMiddleOfThePiece(what)}</legend>
    {#each axes as name, i (name)}
        {@const reach = Math.max(1, Math.round((size[i] ?? 2) / 2))}
        {@const off = (at[i] ?? 0) - (middle[i] ?? 0)}
        <label
            ><span class="quiet">{name}</span><input
                type="range"
                class="range"
                min={-reach}
                max={reach}
                step="0.5"
                value={off}
                aria-label="{what} {name}"
                aria-valuetext={measure(off, 'length', bench.units)}
                oninput={(event) => move(i, Number(event.currentTarget.value))}
            /><span class="fig">{measure(off, 'length', bench.units, 1)}</span></label
        >
    {/each}
</fieldset>

<style>
    .places {
        display: grid;
        gap: 0.2rem;
    }
    label {
        display: grid;
        grid-template-columns: 5rem minmax(6rem, 1fr) 5.5rem;
        gap: 0.6rem;
        align-items: center;
        min-height: 2.75rem;
    }
</style>
