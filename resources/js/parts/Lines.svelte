<script lang="ts">
    /** Weigh-up lines: what to add, its grams, and what the display must then read. */
    import type { Snippet } from 'svelte';
    import { bench } from '../lib/bench.svelte';
    import { figure, sign } from '../lib/units';
    import * as texts from './Lines.texts';

    type Line = { add: string; grams: number; running: number };
    type Props = {
        lines: Line[];
        called?: (add: string) => string;
        caption?: Snippet;
        /** Instead of the grams as they were planned. */
        grams?: Snippet<[Line, number]>;
        foot?: Snippet;
        /** Decimals of the grams; those of the shop's scale unless another one is planned. */
        fine?: number;
    };
    let { lines, called = (add) => add, caption, grams, foot, fine = bench.fine }: Props = $props();
    const shown = (g: number): string => figure(g, 'mass', bench.units, fine);
</script>

<table>
    {#if caption !== undefined}<caption>{@render caption()}</caption>{/if}
    <thead>
        <tr><th scope="col">{texts.add}</th><th scope="col">{sign('mass', bench.units)}</th><th scope="col">{texts.displayReads}</th></tr>
    </thead>
    <tbody>
        {#each lines as line, i (line.add)}
            <tr>
                <th scope="row">{called(line.add)}</th>
                <td class="fig"
                    >{#if grams !== undefined}{@render grams(line, i)}{:else}{shown(line.grams)}{/if}</td
                >
                <td class="fig font-bold">{shown(line.running)}</td>
            </tr>
        {/each}
    </tbody>
    {#if foot !== undefined}<tfoot><tr><td colspan="3">{@render foot()}</td></tr></tfoot>{/if}
</table>

<style>
    table {
        width: 100%;
        border-collapse: collapse;
    }
    caption {
        text-align: left;
    }
    th,
    td {
        padding: 0.16rem 0.2rem;
        border-bottom: 1px solid var(--color-base-300);
        text-align: right;
        font-size: 1.02rem;
    }
    th:first-child {
        text-align: left;
        font-weight: 400;
    }
    thead th {
        font-size: 0.875rem;
        font-weight: 400;
        color: var(--color-neutral);
    }
    tfoot td {
        border: 0;
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
</style>
