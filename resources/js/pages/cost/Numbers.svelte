<script lang="ts">
    /** A few, some, many beside each other: what each number of pieces takes of money, material and hands. */
    import { bench } from '../../lib/bench.svelte';
    import { measure, minutes, type Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import type { CostView } from '../../types/server';

    type Props = {
        numbers: Entry[];
        found: NonNullable<NonNullable<CostView['answer']>['numbers']>;
        money: (amount: string) => string;
        error: string | null;
        onchange: () => void;
    };
    let { numbers = $bindable(), found, money, error, onchange }: Props = $props();
</script>

<section class="numbers" aria-label="Other numbers of it">
    <h2 class="text-2xl">A few, some, many</h2>
    <div class="asked">
        {#each numbers as _, i (i)}<Measure
                label={`Number ${String(i + 1)}`}
                kind="plain"
                bind:value={numbers[i]}
                error={i === 0 ? error : null}
                {onchange}
            />{/each}
    </div>
    <div class="overflow-x-auto">
        <table>
            <thead
                ><tr
                    ><th scope="col">Pieces</th><th scope="col">each</th><th scope="col">all</th><th scope="col">to pay now</th><th
                        scope="col">before the first</th
                    ><th scope="col">then each</th><th scope="col">material</th><th scope="col">kits to buy</th><th scope="col">moulds</th
                    ><th scope="col">hands</th></tr
                ></thead
            >
            <tbody
                >{#each found as one, i (i)}<tr
                        ><th scope="row" class="fig">{one.casts}</th><td class="fig">{money(one.per_piece)}</td><td class="fig"
                            >{money(one.total)}</td
                        ><td class="fig">{money(one.cash)}</td><td class="fig">{money(one.fixed)}</td><td class="fig"
                            >{money(one.running)}</td
                        ><td class="fig">{measure(one.used_g, 'mass', bench.units, 0)}</td><td class="fig">{one.kits}</td><td class="fig"
                            >{one.moulds}</td
                        ><td class="fig">{minutes(one.min)}</td></tr
                    >{/each}</tbody
            >
        </table>
    </div>
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
    td,
    th {
        padding: 0.5rem 0.9rem 0.5rem 0;
        text-align: left;
        white-space: nowrap;
    }
</style>
