<script lang="ts">
    /** A hollow skin, turned by hand in passes. */
    import { untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { RubbersView, StudyView } from '../../types/server';
    import * as texts from './texts';

    let { answer, rubbers }: { answer: NonNullable<StudyView['answer']>; rubbers: RubbersView } = $props();
    type Entry = number | string | null;
    type Skin = {
        volume_ml: number;
        mass_g: number;
        pass_g: number;
        turn_min: number | null;
        fill_pct: number | null;
        how: string[];
        warnings: { code: string; message: string }[];
    };
    const timed = $derived(rubbers.bases.filter((base) => base.pot_life_min !== null));
    let said = $state({
        wall_mm: 2.5 as Entry,
        passes: 2 as Entry,
        loss_pct: 10 as Entry,
        base: untrack(() => timed.find((one) => one.code === rubbers.cast)?.code ?? timed[0]?.code ?? ''),
    });

    const asking = new Asking<Skin | null>(
        'POST',
        '/api/reckon/roto',
        () => {
            const base = timed.find((one) => one.code === said.base);
            return {
                area_mm2: answer.area_mm2,
                cavity_ml: answer.volume_ml,
                wall_mm: said.wall_mm,
                passes: said.passes,
                loss_pct: said.loss_pct,
                sg: base?.sg ?? 1.1,
                // The room is in it already.
                ...(base === undefined ? {} : { pot_life_min: base.pot_life_min }),
            };
        },
        null,
    );
    const skin = $derived(asking.answer);
    const wrong = $derived(asking.trouble);
    const facts = $derived(`${String(answer.area_mm2)} ${said.base}`);
    $effect(() => {
        void facts;
        untrack(() => asking.changed());
    });
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
</script>

<section class="grid content-start gap-3" aria-label={texts.aHollowSkin}>
    <h2 class="text-2xl">{texts.castItHollow}</h2>
    <div class="three">
        <Measure label={texts.wall} kind="length" bind:value={said.wall_mm} error={at('wall_mm')} onchange={() => asking.changed()} />
        <Measure label={texts.passes} kind="plain" bind:value={said.passes} error={at('passes')} onchange={() => asking.changed()} />
        <Measure
            label={texts.leftInTheCup}
            kind="percent"
            bind:value={said.loss_pct}
            error={at('loss_pct')}
            onchange={() => asking.changed()}
        />
        <Choice label={texts.turnedOf} bind:value={said.base}
            >{#each timed as base (base.code)}<option value={base.code}>{base.name}</option>{/each}</Choice
        >
    </div>
    {#if wrong !== null && !['wall_mm', 'passes', 'loss_pct'].includes(wrong.field)}<p class="font-bold text-error" role="alert">
            {wrong.message}
        </p>{/if}
    {#if skin !== null && wrong === null}
        <p class="text-lg">
            <b class="fig">{measure(skin.mass_g, 'mass', bench.units)}</b> in all,
            <b class="fig">{measure(skin.pass_g, 'mass', bench.units)}</b>
            a pass{skin.fill_pct === null ? '' : `, which fills ${skin.fill_pct.toFixed(0)} % of the mould`}.
        </p>
        {#each skin.how as how (how)}<p class="quiet">{how}</p>{/each}
        <Warnings warnings={skin.warnings} />
    {/if}
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
        gap: 0.7rem;
    }
</style>
