<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import { decimalsOf, figure, measure, sign } from '../../lib/units';
    import Warnings from '../../parts/Warnings.svelte';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run }: { run: RunView } = $props();
    const rescue = $derived(run.rescue);
    const digits = $derived(decimalsOf(run.division_g, bench.units));
</script>

{#if rescue !== null}
    <h1 class="text-4xl">{texts.tooMuchInItCanBe}</h1>
    <p class="mt-2 max-w-prose text-lg">
        Nothing comes out of a cup again, so everything else is raised by <b class="fig"
            >{figure((rescue.k - 1) * 100, 'percent', 'metric')} %</b
        >. The cup then makes
        <b class="fig">{measure(rescue.extra_g, 'mass', bench.units, digits)}</b> more than planned and every proportion holds.
    </p>
    <table class="mt-4 text-xl">
        <caption class="quiet text-left text-base">{texts.stillToAdd}</caption>
        <thead class="sr-only"><tr><th>{texts.what}</th><th>{texts.howMuch}</th><th>{texts.displayReads}</th></tr></thead>
        <tbody>
            {#each rescue.lines as line, i (i)}
                <tr>
                    <th scope="row" class="pr-6 text-left">{line.add}</th>
                    <td class="fig pr-6 text-right">{figure(line.grams, 'mass', bench.units, digits)} {sign('mass', bench.units)}</td>
                    <td class="fig text-right font-bold">{figure(line.running, 'mass', bench.units, digits)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    <div class="mt-4"><Warnings warnings={rescue.warnings} /></div>
    <p class="quiet mt-4">
        Left alone, the proportion is <span class="fig">{figure(rescue.ratio_error_if_ignored_pct, 'percent', 'metric', 1)} %</span> off.
    </p>
{/if}
