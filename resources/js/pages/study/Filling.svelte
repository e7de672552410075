<script lang="ts">
    /** Will it fill before it sets, and which bubbles leave: with the mix that is really planned, or with one of the shelf. */
    import { untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure, type Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { RubbersView, SpoutResult, StudyView } from '../../types/server';
    import * as texts from './texts';

    let {
        answer,
        rubbers,
        spout = $bindable(),
    }: {
        spout: { diameter_mm: Entry; head_mm: Entry; vent_mm: Entry };
        answer: NonNullable<StudyView['answer']>;
        rubbers: RubbersView;
    } = $props();
    type Bubbles = { cases: { name: string; smallest_mm: number; squeezed_mm: number | null }[]; advice: string[] };
    const flowing = $derived(rubbers.bases.filter((base) => base.viscosity_pas !== null && base.pot_life_min !== null));
    /** What the job casts, else the thinnest there is. */
    const first = (): string =>
        flowing.find((base) => base.code === rubbers.cast)?.code ??
        [...flowing].sort((a, b) => (a.viscosity_pas ?? 0) - (b.viscosity_pas ?? 0))[0]?.code ??
        '';
    let code = $state(untrack(() => (rubbers.planned?.viscosity_pas == null ? first() : 'planned')));

    const mix = $derived.by(() => {
        if (code === 'planned' && rubbers.planned !== null) {
            return {
                sg: rubbers.planned.sg,
                viscosity_pas: rubbers.planned.viscosity_pas,
                pot_life_min: rubbers.planned.pot_life_min,
                start: rubbers.planned.start_min,
            };
        }
        const base = flowing.find((one) => one.code === code);
        return base === undefined
            ? null
            : { sg: base.sg, viscosity_pas: base.viscosity_pas, pot_life_min: base.pot_life_min, start: (base.pot_life_min ?? 0) * 0.25 };
    });

    const flows = () => ({ sg: mix?.sg, viscosity_pas: mix?.viscosity_pas, pot_life_min: mix?.pot_life_min });
    const filling = new Asking<SpoutResult | null>(
        'POST',
        '/api/reckon/sprue',
        () => ({
            ...flows(),
            volume_ml: answer.volume_ml + answer.mould.spout.reservoir_ml,
            start_min: mix?.start,
            length_mm: Math.max(0.5, answer.mould.spout.length_mm),
            ...$state.snapshot(spout),
        }),
        null,
    );
    const climbing = new Asking<Bubbles | null>(
        'POST',
        '/api/reckon/bubbles',
        () => {
            const tall = Math.max(...answer.bbox_mm) + answer.mould.spout.length_mm;
            const whole = { from_min: mix?.start, to_min: mix?.pot_life_min };
            return {
                ...flows(),
                cases: [
                    { name: 'standing tall', depth_mm: tall, ...whole },
                    { name: 'lying flat', depth_mm: Math.max(1, Math.min(...answer.bbox_mm)), ...whole },
                    // What sets, or boils, while it foams is never drawn.
                    ...(rubbers.bases.find((base) => base.code === code)?.vacuum === 'never'
                        ? []
                        : [
                              {
                                  name: 'under vacuum in the cup',
                                  depth_mm: 90,
                                  from_min: 0,
                                  to_min: Math.max(0.05, mix?.start ?? 0),
                                  pressure_kpa: 3,
                              },
                          ]),
                    { name: 'in a pot at four bar', depth_mm: tall, ...whole, pressure_kpa: 400 },
                ],
            };
        },
        null,
    );
    const result = $derived(filling.answer);
    const bubbles = $derived(climbing.answer);
    const wrong = $derived(filling.trouble);

    // Asked again when the piece is turned, or another mix is taken.
    const facts = $derived(`${String(answer.volume_ml)} ${String(answer.mould.spout.length_mm)} ${code}`);
    $effect(() => {
        void facts;
        untrack(() => {
            if (mix !== null) {
                filling.changed();
                climbing.changed();
            }
        });
    });
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const mm = (value: number): string => measure(value, 'length', bench.units);
</script>

<section class="grid gap-3" aria-label={texts.filling}>
    <h2 class="text-2xl">{texts.willItFillBeforeItSets}</h2>
    <Choice label={texts.castOf} bind:value={code}>
        {#if rubbers.planned !== null && rubbers.planned.viscosity_pas !== null}<option value="planned"
                >{texts.asArePlanned(rubbers.planned.base, rubbers.planned.name)}</option
            >{/if}
        {#each flowing as base (base.code)}<option value={base.code}>{base.name}</option>{/each}
    </Choice>
    {#if mix !== null && mix.pot_life_min !== null}
        <p class="quiet">Pours for {mix.pot_life_min.toFixed(1)} min in this room, from {mix.start.toFixed(1)} min after mixing began.</p>
    {/if}
    <div class="three">
        <Measure
            label={texts.sprue}
            kind="length"
            bind:value={spout.diameter_mm}
            error={at('diameter_mm')}
            onchange={() => filling.changed()}
        />
        <Measure
            label={texts.mixStandsOverIt}
            kind="length"
            bind:value={spout.head_mm}
            error={at('head_mm')}
            onchange={() => filling.changed()}
        />
        <Measure label={texts.vents} kind="length" bind:value={spout.vent_mm} error={at('vent_mm')} onchange={() => filling.changed()} />
    </div>
    {#if wrong !== null && at('diameter_mm') === null && at('head_mm') === null && at('vent_mm') === null}<Wrong
            says={wrong.message}
        />{/if}
    {#if result !== null}
        <p class="text-lg" role="status">
            {#if result.fill_min === null}It never fills: {measure(result.filled_ml, 'volume', bench.units)} get in.{:else}It fills in <b
                    class="fig">{result.fill_min < 1 ? `${(60 * result.fill_min).toFixed(0)} s` : `${result.fill_min.toFixed(1)} min`}</b
                >.{/if}
            {#if result.least_diameter_mm !== null}The narrowest sprue that serves is <b class="fig">{mm(result.least_diameter_mm)}</b
                >.{/if}
        </p>
        <Warnings warnings={result.warnings} />
    {/if}
    {#if bubbles !== null}
        <h3 class="text-lg">{texts.bubblesThatLeave}</h3>
        <ul class="bubbles">
            {#each bubbles.cases as one (one.name)}
                <li>
                    <span>{one.name}</span><span class="fig"
                        >{one.squeezed_mm === null ? `from ${mm(one.smallest_mm)}` : `squeezed to ${mm(one.squeezed_mm)}`}</span
                    >
                </li>
            {/each}
        </ul>
        <details>
            <summary class="cursor-pointer py-2">{texts.vacuumPressureOrNeither}</summary>
            {#each bubbles.advice as advice (advice)}<p class="mt-1 max-w-prose">{advice}</p>{/each}
        </details>
    {/if}
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(7rem, 1fr));
        gap: 0.7rem;
    }
    .bubbles li {
        display: flex;
        justify-content: space-between;
        gap: 1rem;
        padding: 0.25rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
</style>
