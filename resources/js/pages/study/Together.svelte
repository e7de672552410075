<script lang="ts">
    /** Many at once in one block: the grid that takes least rubber, and whether its batch can be mixed in time. */
    import { untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure, sizes } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { RubbersView, StudyView } from '../../types/server';
    import * as texts from './texts';

    let { answer, rubbers }: { answer: NonNullable<StudyView['answer']>; rubbers: RubbersView } = $props();
    type Entry = number | string | null;
    type Grid = {
        cols: number;
        rows: number;
        turned: boolean;
        inner_mm: number[];
        rubber_ml: number;
        per_piece_ml: number;
        hugging_ml: number;
        places: [number, number][];
        batch: { mass_g: number; mix_min: number; there_min: number | null; hands: number | null } | null;
        warnings: { code: string; message: string }[];
    };
    const soft = $derived(rubbers.bases.filter((base) => base.soft && base.pot_life_min !== null));
    let said = $state({
        count: 6 as Entry,
        gap_mm: 19 as Entry,
        rubber: untrack(
            () => (soft.find((base) => base.code === rubbers.mould) ?? soft.find((base) => base.code === 'pr-25') ?? soft[0])?.code ?? '',
        ),
    });

    const piece = $derived.by(() => {
        const { least, most } = answer.frame;
        const side = (i: number): number => Math.max(0.1, (most[i] ?? 0) - (least[i] ?? 0));
        return { l_mm: side(0), w_mm: side(1), h_mm: side(2), volume_ml: answer.volume_ml };
    });

    const asking = new Asking<Grid | null>(
        'POST',
        '/api/reckon/gang',
        () => {
            const base = soft.find((one) => one.code === said.rubber);
            return {
                piece,
                count: said.count,
                gap_mm: said.gap_mm,
                wall_mm: answer.mould.margin_mm,
                base_mm: answer.mould.margin_mm,
                over_mm: answer.mould.margin_mm,
                ...(base === undefined ? {} : { sg: base.sg, pot_life_min: base.pot_life_min }),
            };
        },
        null,
    );
    const grid = $derived(asking.answer);
    const wrong = $derived(asking.trouble);
    const facts = $derived(`${JSON.stringify(piece)} ${said.rubber}`);
    $effect(() => {
        void facts;
        untrack(() => asking.changed());
    });
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const long = $derived(grid?.turned === true ? piece.w_mm : piece.l_mm);
    const wide = $derived(grid?.turned === true ? piece.l_mm : piece.w_mm);
</script>

<section class="grid content-start gap-3" aria-label={texts.manyAtOnce}>
    <h2 class="text-2xl">{texts.manyAtOnceHeading}</h2>
    <div class="three">
        <Measure
            label={texts.originalsInOneBlock}
            kind="plain"
            bind:value={said.count}
            error={at('count')}
            onchange={() => asking.changed()}
        />
        <Measure
            label={texts.gapBetweenTwo}
            kind="length"
            bind:value={said.gap_mm}
            error={at('gap_mm')}
            onchange={() => asking.changed()}
        />
        <Choice label={texts.ofWord} bind:value={said.rubber}
            >{#each soft as base (base.code)}<option value={base.code}>{base.name}</option>{/each}</Choice
        >
    </div>
    {#if wrong !== null && at('count') === null && at('gap_mm') === null}<p class="font-bold text-error" role="alert">
            {wrong.message}
        </p>{/if}
    {#if grid !== null && wrong === null}
        <svg
            viewBox="-2 -2 {(grid.inner_mm[0] ?? 0) + 4} {(grid.inner_mm[1] ?? 0) + 4}"
            role="img"
            aria-label={texts.theBlockSeenFromAbove}
        >
            <rect class="block" width={grid.inner_mm[0]} height={grid.inner_mm[1]} rx="3" />
            {#each grid.places as [x, y] (`${String(x)} ${String(y)}`)}<rect class="one" {x} {y} width={long} height={wide} rx="6" />{/each}
        </svg>
        <p>
            {grid.cols} by {grid.rows}{grid.turned ? ', each turned' : ''}: a box of {sizes(grid.inner_mm, bench.units)} inside takes
            <b class="fig">{measure(grid.rubber_ml, 'volume', bench.units)}</b>, {measure(grid.per_piece_ml, 'volume', bench.units)} each. A wall
            bent round them would take
            {measure(grid.hugging_ml, 'volume', bench.units)}.
        </p>
        {#if grid.batch !== null}
            <p>
                That is {measure(grid.batch.mass_g, 'mass', bench.units, 0)} to mix in one go{grid.batch.there_min === null
                    ? ''
                    : `, with ${grid.batch.there_min.toFixed(0)} min for it`}{grid.batch.hands === null
                    ? ''
                    : `: ${grid.batch.hands === 1 ? 'one pair of hands does' : `${String(grid.batch.hands)} pairs of hands`}`}.
            </p>
        {/if}
        <Warnings warnings={grid.warnings} />
    {/if}
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
        gap: 0.7rem;
    }
    svg {
        max-height: 12rem;
        max-width: 100%;
    }
    .block {
        fill: var(--color-base-300);
        stroke: var(--color-neutral);
    }
    .one {
        fill: var(--color-secondary);
        stroke: var(--color-neutral);
    }
</style>
