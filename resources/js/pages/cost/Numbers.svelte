<script lang="ts">
    /** A few, some, many beside each other: what each number of pieces takes of money, material and hands. */
    import { bench } from '../../lib/bench.svelte';
    import { measure, minutes, type Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import type { CostView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        numbers: Entry[];
        found: NonNullable<NonNullable<CostView['answer']>['numbers']>;
        money: (amount: string) => string;
        error: string | null;
        onchange: () => void;
    };
    let { numbers = $bindable(), found, money, error, onchange }: Props = $props();
    const lines: { name: string; of: (one: Props['found'][number]) => string | number }[] = [
        { name: 'each', of: (one) => money(one.per_piece) },
        { name: 'all', of: (one) => money(one.total) },
        { name: 'to pay now', of: (one) => money(one.cash) },
        { name: 'before the first', of: (one) => money(one.fixed) },
        { name: 'then each', of: (one) => money(one.running) },
        { name: 'material', of: (one) => measure(one.used_g, 'mass', bench.units, 0) },
        { name: 'kits to buy', of: (one) => one.kits },
        { name: 'moulds', of: (one) => one.moulds },
        { name: 'hands', of: (one) => (one.min < 600 ? minutes(one.min) : `${String(Math.round(one.min / 60))} h`) },
    ];
</script>

<section class="numbers" aria-label={texts.otherNumbersOfIt}>
    <h2 class="text-2xl">{texts.aFewSomeMany}</h2>
    <div class="asked">
        {#each numbers as _, i (i)}<Measure
                label={texts.numberWord(i + 1)}
                kind="plain"
                bind:value={numbers[i]}
                error={i === 0 ? error : null}
                {onchange}
            />{/each}
    </div>
    <table>
        <thead
            ><tr
                ><th scope="col" class="quiet">{texts.pieces}</th>{#each found as one, i (i)}<th scope="col" class="fig">{one.casts}</th
                    >{/each}</tr
            ></thead
        >
        <tbody
            >{#each lines as line (line.name)}<tr
                    ><th scope="row">{line.name}</th>{#each found as one, i (i)}<td class="fig">{line.of(one)}</td>{/each}</tr
                >{/each}</tbody
        >
    </table>
    <p class="quiet text-sm">
        Before the first: whole moulds for so many casts, and what is had once. Then each: material and hands. “Each” spreads the moulds by
        what so many casts wear off.
    </p>
</section>

<style>
    .numbers {
        margin-top: 1.2rem;
    }
    .asked {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 0.6rem;
    }
    table {
        table-layout: fixed;
        width: 100%;
        margin-block: 0.6rem;
    }
    td,
    th {
        padding: 0.3rem 0.6rem 0.3rem 0;
        border-top: 1px solid var(--color-base-300);
        text-align: left;
        overflow-wrap: anywhere;
    }
    tbody th {
        font-weight: 400;
        color: var(--color-neutral);
    }
    thead th {
        border: 0;
    }
</style>
