<script lang="ts">
    import type { Snippet } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { sign } from '../../lib/units';
    import Cautions from '../../parts/Cautions.svelte';
    import type { AdditiveSheetView } from '../../types/server';
    import * as texts from './texts';

    let { sheet, children }: { sheet: AdditiveSheetView; children?: Snippet } = $props();
</script>

<div class="border-l-[14px] pl-5" style="border-color:{sheet.colour}">
    <h2 class="text-3xl">{sheet.name}</h2>
    <p class="quiet">house code <span class="fig">{sheet.code}</span> · {sheet.role.replace('-', ' ')}</p>
    <p class="mt-2 max-w-prose text-lg">{sheet.summary}</p>
</div>
{@render children?.()}
<div class="mt-6 grid gap-8 lg:grid-cols-2">
    <section>
        <h3 class="text-xl">{texts.howMuch}</h3>
        <p class="mt-1 text-lg">up to <b class="fig">{sheet.max}</b> {sheet.basis}, unless the base’s own sheet says less</p>
        <p>
            Into {sheet.into === 'after' ? 'the mixed cup, last' : `part ${sheet.into.toUpperCase()}`}. Density
            <span class="fig">{sheet.sg}</span>
            {sign('density', bench.units)}, {sheet.measured.includes('sg') ? 'measured' : 'typical'}.
        </p>
        <p class="mt-2">For {sheet.families.map((f) => f.replace('-', ' ')).join(', ')}.</p>
        {#if sheet.flash_min !== null}<p class="mt-2">
                Leaves a brushed film in about <span class="fig">{sheet.flash_min}</span> min.{sheet.paint_only
                    ? ' For paint only, never in a cast.'
                    : ''}
            </p>{/if}
        {#if sheet.softening.length > 0}
            <table class="mt-3">
                <caption class="text-left font-bold">{texts.whatIsLeftOfTheBases}</caption>
                <thead
                    ><tr
                        ><th scope="col">{texts.ofAB}</th><th scope="col">{texts.stiffness}</th><th scope="col">{texts.tear}</th><th
                            scope="col">{texts.stretch}</th
                        ><th scope="col">{texts.potLife}</th></tr
                    ></thead
                >
                <tbody>
                    {#each sheet.softening as at (at.pct_of_ab)}
                        <tr
                            ><th scope="row" class="fig">{at.pct_of_ab}</th>
                            {#each [at.stiffness, at.tear, at.stretch, at.pot_life] as left, i (i)}<td class="fig">×{left.toFixed(2)}</td
                                >{/each}</tr
                        >
                    {/each}
                </tbody>
            </table>
            <p class="quiet text-sm">
                Sweats out from about <span class="fig">{sheet.bleed_from_pct}</span> % in most bases. Your own pucks say more: see
                <a class="link" href="/swatches">{texts.howSoft}</a>.
            </p>
        {/if}
        {#if sheet.notes !== ''}<p class="mt-2 font-bold">{sheet.notes}</p>{/if}
    </section>
    <section>
        <h3 class="text-xl">{texts.mind}</h3>
        <div class="mt-1"><Cautions cautions={sheet.cautions} /></div>
    </section>
</div>

<style>
    th,
    td {
        text-align: right;
        padding: 0.15rem 1rem 0.15rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
    th {
        font-weight: 400;
    }
</style>
