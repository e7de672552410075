<script lang="ts">
    /** How it will hang in the water: the ballast it needs and where, and how it comes to rest. */
    import { untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveStudy } from '../../lib/study.svelte';
    import { measure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { BallastResult, StudyView } from '../../types/server';

    let { live, answer, onwater }: { live: LiveStudy; answer: NonNullable<StudyView['answer']>; onwater: () => void } = $props();
    type Entry = number | string | null;
    let said = $state({
        sg: 1.05 as Entry,
        filler_pct: 12 as Entry,
        target_pct: -8 as Entry,
        hooks_g: 0 as Entry,
        ballast: 'inside',
        water: '0.998',
    });
    const place = (at: readonly number[] | null): string =>
        at === null
            ? ''
            : at
                  .map((mm, i) => `${['x', 'y', 'z'][i] ?? ''} ${measure(mm - (answer.centre_mm[i] ?? 0), 'length', bench.units)}`)
                  .join(', ');

    const asking = new Asking<BallastResult | null>(
        'POST',
        '/api/reckon/ballast',
        () => {
            const hooks = typeof said.hooks_g === 'number' && said.hooks_g > 0;
            const [x = 0, y = 0, z = 0] = answer.centre_mm;
            return {
                body: { volume_ml: answer.volume_ml, centre_mm: answer.centre_mm },
                resin:
                    typeof said.filler_pct === 'number' && said.filler_pct > 0
                        ? { base_sg: said.sg, filler_sg: 0.17, filler_pct: said.filler_pct }
                        : { sg: said.sg },
                hardware: hooks
                    ? [{ name: 'hooks and wire', mass_g: said.hooks_g, sg: 7.85, inside: false, at_mm: [x, y, z - answer.bbox_mm[2] / 2] }]
                    : [],
                water_sg: Number(said.water),
                target_pct: said.target_pct,
                ballast: { sg: 11.34, inside: said.ballast === 'inside' },
            };
        },
        null,
    );
    const result = $derived(asking.answer);
    const wrong = $derived(asking.trouble);
    const volume = $derived(answer.volume_ml);
    $effect(() => {
        void volume;
        untrack(() => asking.changed());
    });

    function lay(): void {
        if (result !== null) {
            live.change({
                float: { mass_g: Math.round(result.whole_g * 1000) / 1000, centre_mm: result.centre_mm, water_sg: Number(said.water) },
            });
            onwater();
        }
    }
    const at = (...fields: string[]): string | null => (wrong !== null && fields.includes(wrong.field) ? wrong.message : null);
</script>

<section class="grid content-start gap-3" aria-label="In water">
    <h2 class="text-2xl">How will it hang in the water?</h2>
    <div class="three">
        <Measure
            label="Density of the cast"
            kind="plain"
            bind:value={said.sg}
            error={at('resin.sg', 'resin.base_sg')}
            onchange={() => asking.changed()}
        />
        <Measure
            label="Light filler in it"
            kind="percent"
            bind:value={said.filler_pct}
            error={at('resin.filler_pct')}
            onchange={() => asking.changed()}
        />
        <Measure
            label="Heavier than water by"
            kind="percent"
            bind:value={said.target_pct}
            hint="below nought it floats"
            error={at('target_pct')}
            onchange={() => asking.changed()}
        />
        <Measure
            label="Hooks and wire under it"
            kind="mass"
            bind:value={said.hooks_g}
            error={at('hardware.0.mass_g')}
            onchange={() => asking.changed()}
        />
        <Choice label="Lead lies" bind:value={said.ballast} onchange={() => asking.changed()}
            ><option value="inside">inside</option><option value="outside">outside</option></Choice
        >
        <Choice label="Water" bind:value={said.water} onchange={() => asking.changed()}
            ><option value="0.998">fresh</option><option value="1.025">salt</option></Choice
        >
    </div>
    {#if wrong !== null}<p class="font-bold text-error" role="alert">{wrong.message}</p>{/if}
    {#if result !== null && wrong === null}
        {#if result.ballast_g > 0}
            <p class="text-lg">
                <b class="fig">{measure(result.ballast_g, 'mass', bench.units)}</b> of lead{result.at_mm === null
                    ? ''
                    : `, from the middle of the body at ${place(result.at_mm)}`}. All together {measure(
                    result.whole_g,
                    'mass',
                    bench.units,
                )}.
                {#if result.sinks_mm_s !== null}It sinks at about {(result.sinks_mm_s / 10).toFixed(0)} cm a second.{/if}
            </p>
            {#if result.split !== null}<p class="quiet">
                    In two halves: {result.split
                        .map((half) => `${measure(half.mass_g, 'mass', bench.units)} at ${place(half.at_mm)}`)
                        .join('; ')}.
                </p>{/if}
            <p class="quiet">
                Who forgets that lead takes the place of resin would take {measure(result.without_displacement_g, 'mass', bench.units)}.
            </p>
        {/if}
        <Warnings warnings={result.warnings} />
        <p><button class="btn" onclick={lay} disabled={result.ballast_g < 0}>Lay it into the water</button></p>
    {/if}
    {#if answer.float !== null}
        <p role="status">
            {#if answer.float.floats}It floats with {measure(answer.float.draught_mm, 'length', bench.units)} under water and {measure(
                    answer.float.freeboard_mm,
                    'length',
                    bench.units,
                )} over it{answer.float.stable ? '' : ', and tips over at a breath'}.{:else}It sinks.{/if}
        </p>
    {/if}
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
        gap: 0.7rem;
        align-items: start;
    }
</style>
