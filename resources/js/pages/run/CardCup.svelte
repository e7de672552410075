<script lang="ts">
    /** One cup of a card: what the display really read beside what it should, and when it met and went in. */
    import { bench } from '../../lib/bench.svelte';
    import type { TypedCup } from '../../lib/card';
    import { decimalsOf, measure } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Measure from '../../parts/Measure.svelte';
    import MomentEntry from '../../parts/MomentEntry.svelte';
    import type { CardView, RunView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        run: RunView;
        cup: CardView['cups'][number];
        typed: TypedCup;
        /** Where the one before ended, or the run began. */
        near: number;
        errors: Record<string, string>;
    };
    let { run, cup, typed = $bindable(), near, errors }: Props = $props();
    const digits = $derived(decimalsOf(run.division_g, bench.units));
    const grams = (g: number): string => measure(g, 'mass', bench.units, digits);
    const at = $derived(`cups.${String(cup.batch - 1)}`);
</script>

<section class="cup" aria-label={texts.cupOfCard(cup.batch)}>
    <h2 class="text-2xl">
        {run.batches > 1 ? texts.cupOfSo(cup.batch, run.batches, grams(cup.grams)) : texts.cupOf(cup.batch, grams(cup.grams))}
    </h2>
    <table>
        <thead
            ><tr
                ><th scope="col">{texts.addColumn}</th><th scope="col" class="num">{texts.thisMuch}</th><th scope="col" class="num"
                    >{texts.theDisplayReads}</th
                ><th scope="col">{texts.itReallyRead}</th></tr
            ></thead
        >
        <tbody>
            {#each cup.lines as line, i (i)}
                <tr>
                    <th scope="row">{line.label}</th>
                    <td class="fig num" data-says={texts.thisMuch}>{grams(line.grams)}</td>
                    <td class="fig num" data-says={texts.theDisplayReads}><b>{grams(line.running)}</b></td>
                    <td>
                        {#if line.read !== null}<span class="fig">{grams(line.read)}</span> <span class="quiet">{texts.toldAlready}</span>
                        {:else}<Measure
                                label={texts.reallyRead(line.label)}
                                kind="mass"
                                bind:value={typed.read[i]}
                                error={errors[`${at}.read.${String(i)}`] ?? null}
                            />{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
    <div class="moments">
        {#if run.heat !== null}<Measure
                label={texts.readInThePot}
                kind="temperature"
                bind:value={typed.heated_c}
                error={errors[`${at}.heated_c`] ?? null}
            />{/if}
        {#if cup.met_ms !== null}<p>{texts.at(run.worked.met, dayAndTime(cup.met_ms))}</p>
        {:else if cup.meets}<MomentEntry
                label={run.heat === null ? texts.metAt(run.worked.met) : texts.offTheHeatAt}
                bind:value={typed.met_ms}
                {near}
                error={errors[`${at}.met_ms`] ?? null}
            />{/if}
        {#if cup.filled_ms !== null}<p>{texts.at(texts.inTheMould, dayAndTime(cup.filled_ms))}</p>
        {:else}<MomentEntry
                label={texts.inTheMouldAt}
                bind:value={typed.filled_ms}
                near={typed.met_ms ?? cup.met_ms ?? near}
                error={errors[`${at}.filled_ms`] ?? null}
            />{/if}
    </div>
</section>

<style>
    .cup {
        margin-top: 1.5rem;
    }
    table {
        width: 100%;
        border-collapse: collapse;
        margin-top: 0.4rem;
    }
    thead th {
        text-align: left;
        font-size: 0.875rem;
        font-weight: 400;
        color: var(--color-neutral);
    }
    tbody tr {
        border-top: 1px solid var(--color-base-300);
    }
    th,
    td {
        padding: 0.5rem 0.75rem 0.5rem 0;
        text-align: left;
        vertical-align: middle;
    }
    .num {
        text-align: right;
        padding-right: 1.5rem;
        white-space: nowrap;
    }
    td:last-child {
        width: 14rem;
    }
    .moments {
        display: flex;
        flex-wrap: wrap;
        gap: 1rem 1.5rem;
        margin-top: 0.6rem;
        align-items: end;
    }
    @media (max-width: 700px) {
        thead {
            display: none;
        }
        tr {
            display: grid;
            grid-template-columns: 1fr 1fr;
            padding: 0.5rem 0;
        }
        tbody th,
        td:last-child {
            grid-column: 1 / -1;
            width: auto;
        }
        th,
        td {
            padding: 0.15rem 0;
        }
        .num {
            text-align: left;
        }
        td[data-says]::before {
            content: attr(data-says) ' ';
            color: var(--color-neutral);
            font-size: 0.875rem;
            font-family: var(--font-sans, inherit);
        }
    }
</style>
