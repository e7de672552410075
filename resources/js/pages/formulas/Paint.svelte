<script lang="ts">
    /** A pot of silicone paint for an area. */
    import { onMount, untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { verdictMark } from '../../lib/contacts';
    import { type Entry, figure, measure, minutes } from '../../lib/units';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { PaintAnswerView } from '../../types/server';
    import * as texts from './texts';

    let { recipe, called }: { recipe: unknown; called: (add: string) => string } = $props();

    const ask = $state<Record<'area_mm2' | 'film_mm' | 'coats' | 'waste_pct', Entry>>({
        area_mm2: 20000,
        film_mm: 0.05,
        coats: 2,
        waste_pct: 40,
    });
    const asking = untrack(
        () => new Asking<PaintAnswerView | null>('POST', '/formulas/paint', () => ({ recipe, ...$state.snapshot(ask) }), null),
    );
    const pot = $derived(asking.answer?.pot ?? null);
    const holds = $derived(asking.answer?.holds ?? null);
    const trouble = (field: string): string | null => (asking.trouble?.field === field ? asking.trouble.message : null);
    onMount(() => asking.changed());
</script>

<section aria-labelledby="pot">
    <h2 id="pot" class="text-2xl">{texts.aPotOfIt}</h2>
    <div class="ask">
        <Measure
            label={texts.toPaint}
            kind="area"
            bind:value={ask.area_mm2}
            error={trouble('area_mm2')}
            onchange={() => asking.changed()}
        />
        <Measure
            label={texts.dryFilmOfACoat}
            kind="film"
            bind:value={ask.film_mm}
            error={trouble('film_mm')}
            onchange={() => asking.changed()}
        />
        <Measure label={texts.coats} kind="plain" bind:value={ask.coats} error={trouble('coats')} onchange={() => asking.changed()} />
        <Measure
            label={texts.leftInPotAndBrush}
            kind="percent"
            bind:value={ask.waste_pct}
            error={trouble('waste_pct')}
            onchange={() => asking.changed()}
        />
    </div>
    {#if pot !== null && holds !== null}
        <div class="answer" class:stale={!asking.fresh}>
            <p>
                <b class="fig text-3xl">{measure(pot.mass_g, 'mass', bench.units, 1)}</b>
                <span class="quiet block text-sm"
                    >silicone 1 : pigment {figure(pot.ratio.pigment, 'plain', 'metric', 2)} : solvent {figure(
                        pot.ratio.solvent,
                        'plain',
                        'metric',
                        1,
                    )}, by weight</span
                >
            </p>
            <ul>
                {#each pot.lines as line (line.add)}<li>
                        {called(line.add)} <b class="fig">{measure(line.grams, 'mass', bench.units, bench.fine)}</b>
                        <span class="quiet fig">→ {measure(line.running, 'mass', bench.units, bench.fine)}</span>
                    </li>{/each}
            </ul>
            <p class="text-sm">
                It goes on {measure(pot.wet_mm, 'film', bench.units)} wet a coat{pot.flash_min === null
                    ? ''
                    : ` and wants about ${minutes(pot.flash_min)} until the solvent has left`}.
            </p>
            <p class="flex items-center gap-2">
                <VerdictShape kind={holds.verdict === 'clear' ? 'good' : (verdictMark[holds.verdict] ?? 'ask')} size={20} /> On cured silicone:
                {holds.in_short}
            </p>
        </div>
        <div class:stale={!asking.fresh}><Warnings warnings={pot.warnings} /></div>
        <p class="quiet mt-2 text-sm">
            Only silicone paint stays on silicone. Wipe release off first, no flame near solvent, air the room; nothing is worn before the
            solvent is gone.
        </p>
    {/if}
    {#if asking.trouble !== null && ['area_mm2', 'film_mm', 'coats', 'waste_pct'].every((f) => trouble(f) === null)}<p
            class="font-bold text-error"
            role="alert"
        >
            {asking.trouble.message}
        </p>{/if}
</section>

<style>
    .ask {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.75rem;
    }
    .answer {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
        gap: 0.8rem 2rem;
        align-items: center;
        margin: 0.8rem 0;
    }
</style>
