<script lang="ts">
    /** Two versions side by side, all on the same bases. */
    import { bench } from '../../lib/bench.svelte';
    import { figure, sign } from '../../lib/units';
    import type { ComparisonResult } from '../../types/server';
    import * as texts from './texts';

    let { comparison, left, right }: { comparison: ComparisonResult; left: string; right: string } = $props();
    const words = { same: 'the same', more: 'more', less: 'less', new: 'new', gone: 'gone' };
    const marks = { same: '=', more: '▲', less: '▼', new: '+', gone: '−' };
</script>

<section aria-label={texts.sideBySide}>
    <div class="overflow-x-auto">
        <table>
            <thead>
                <tr
                    ><th scope="col"><span class="sr-only">{texts.what}</span></th><th scope="col">{left}</th><th scope="col">{right}</th
                    ><th scope="col"><span class="sr-only">{texts.change}</span></th></tr
                >
            </thead>
            <tbody>
                {#each comparison.rows as row (row.name)}
                    <tr class={row.change}>
                        <th scope="row">{row.name}</th>
                        {#each [row.left, row.right] as side, i (i)}
                            <td
                                >{#if side === null}–{:else}<b class="fig">{figure(side.pct_of_ab, 'percent', 'metric')}</b> % of A+B
                                    <span class="quiet text-sm">({figure(side.pct_of_one_part, 'percent', 'metric')} of one part)</span
                                    >{/if}</td
                            >
                        {/each}
                        <td class="change"><span aria-hidden="true">{marks[row.change]}</span> {words[row.change]}</td>
                    </tr>
                {/each}
                <tr
                    ><th scope="row">{texts.density}</th><td
                        ><span class="fig">{figure(comparison.left_sg, 'plain', 'metric', 4)}</span> {sign('density', bench.units)}</td
                    ><td><span class="fig">{figure(comparison.right_sg, 'plain', 'metric', 4)}</span> {sign('density', bench.units)}</td><td
                    ></td></tr
                >
            </tbody>
        </table>
    </div>
    {#if !comparison.same_base}<p class="font-bold">They are of different bases: percentages alike do not make them alike.</p>{/if}
    {#if !comparison.same_order}<p class="font-bold">What both have goes in in another order, or into another side.</p>{/if}
</section>

<style>
    table {
        width: 100%;
        border-collapse: collapse;
    }
    th,
    td {
        text-align: left;
        padding: 0.3rem 0.8rem 0.3rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
    tbody th {
        font-weight: 400;
    }
    .same {
        color: var(--color-neutral);
    }
    .change {
        font-weight: 700;
        white-space: nowrap;
    }
    .same .change {
        font-weight: 400;
    }
</style>
