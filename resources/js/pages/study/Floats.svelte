<script lang="ts">
    /** How it will hang in the water: the ballast it needs and where, and how it comes to rest. */
    import { untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveStudy } from '../../lib/study.svelte';
    import { measure } from '../../lib/units';
    import type { Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { BallastResult, RubbersView, StudyView } from '../../types/server';
    import Density, { type Known } from './Density.svelte';
    import Places from './Places.svelte';
    import * as texts from './texts';

    type Props = { live: LiveStudy; answer: NonNullable<StudyView['answer']>; rubbers: RubbersView; onwater: () => void };
    let { live, answer, rubbers, onwater }: Props = $props();
    type Place = [number, number, number];
    const middle = $derived([answer.centre_mm[0] ?? 0, answer.centre_mm[1] ?? 0, answer.centre_mm[2] ?? 0] as Place);
    let known = $state<Known>({
        by: 'sheet',
        base: untrack(() => rubbers.cast ?? rubbers.bases[0]?.code ?? ''),
        filler: untrack(() => rubbers.fillers.find((one) => one.sg < 0.5)?.code ?? ''),
        filler_pct: 12,
        air_g: null,
        in_water_g: null,
        sg: 1.05,
    });
    let said = $state({
        target_pct: -8 as Entry,
        hooks_g: 0 as Entry,
        ballast: 'inside',
        water: '0.998',
    });
    /** By hand; null where it is left to be found. */
    let leadAt = $state<Place | null>(null);
    let hooksAt = $state<Place | null>(null);
    let balanced = $state<Place | null>(null);
    const hooks = $derived(typeof said.hooks_g === 'number' && said.hooks_g > 0);
    const underneath = $derived([middle[0], middle[1], middle[2] - answer.bbox_mm[2] / 2] as Place);
    const place = (at: readonly number[] | null): string =>
        at === null
            ? ''
            : at.map((mm, i) => `${['x', 'y', 'z'][i] ?? ''} ${measure(mm - (middle[i] ?? 0), 'length', bench.units)}`).join(', ');

    function resin(): Record<string, Entry> {
        if (known.by === 'weighed') {
            return { air_g: known.air_g, in_water_g: known.in_water_g };
        }
        if (known.by === 'typed') {
            return { sg: known.sg };
        }
        const sg = rubbers.bases.find((base) => base.code === known.base)?.sg ?? null;
        const filler = rubbers.fillers.find((one) => one.code === known.filler);
        return filler === undefined ? { sg } : { base_sg: sg, filler_sg: filler.sg, filler_pct: known.filler_pct };
    }

    const asking = new Asking<BallastResult | null>(
        'POST',
        '/api/reckon/ballast',
        () => ({
            body: { volume_ml: answer.volume_ml, centre_mm: answer.centre_mm, ...(balanced === null ? {} : { balance_mm: balanced }) },
            resin: resin(),
            hardware: hooks
                ? [{ name: 'hooks and wire', mass_g: said.hooks_g, sg: 7.85, inside: false, at_mm: hooksAt ?? underneath }]
                : [],
            water_sg: Number(said.water),
            target_pct: said.target_pct,
            ballast: { sg: 11.34, inside: said.ballast === 'inside', ...(leadAt === null ? {} : { at_mm: leadAt }) },
        }),
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
    function moved(): void {
        asking.changed();
    }
    const degrees = (deg: number): string => `${Math.abs(deg).toFixed(0)}°`;
    const at = (...fields: string[]): string | null => (wrong !== null && fields.includes(wrong.field) ? wrong.message : null);
</script>

<section class="grid content-start gap-3" aria-label={texts.inWater}>
    <h2 class="text-2xl">{texts.howWillItHangInThe}</h2>
    <div class="three">
        <Density bind:known {rubbers} trouble={at} onchange={moved} />
        <Measure
            label={texts.heavierThanWaterBy}
            kind="percent"
            bind:value={said.target_pct}
            hint={texts.belowNoughtItFloats}
            error={at('target_pct')}
            onchange={() => asking.changed()}
        />
        <Measure
            label={texts.hooksAndWireUnderIt}
            kind="mass"
            bind:value={said.hooks_g}
            error={at('hardware.0.mass_g')}
            onchange={() => asking.changed()}
        />
        <Choice label={texts.leadLies} bind:value={said.ballast} onchange={() => asking.changed()}
            ><option value="inside">{texts.inside}</option><option value="outside">{texts.outside}</option></Choice
        >
        <Choice label={texts.water} bind:value={said.water} onchange={() => asking.changed()}
            ><option value="0.998">{texts.fresh}</option><option value="1.025">{texts.salt}</option></Choice
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
            {#if result.hangs !== null}<p role="status">
                    Under water {Math.abs(result.hangs.trim_deg) < 1
                        ? 'it hangs level'
                        : `the end towards +x hangs ${degrees(result.hangs.trim_deg)} ${result.hangs.trim_deg > 0 ? 'down' : 'up'}`}{Math.abs(
                        result.hangs.lean_deg,
                    ) < 1
                        ? ''
                        : `, leaning ${degrees(result.hangs.lean_deg)} to the side`}.
                </p>{/if}
            {#if result.at_mm !== null}<Places
                    what="Lead"
                    at={leadAt ?? result.at_mm}
                    {middle}
                    size={answer.bbox_mm}
                    onmove={(to) => {
                        leadAt = to;
                        moved();
                    }}
                />{/if}
            {#if leadAt !== null}<p>
                    <button
                        class="btn btn-sm"
                        onclick={() => {
                            leadAt = null;
                            moved();
                        }}>{texts.leadWhereItHangsLevel}</button
                    >
                </p>{/if}
            {#if hooks}<Places
                    what="Hooks"
                    at={hooksAt ?? underneath}
                    {middle}
                    size={answer.bbox_mm}
                    onmove={(to) => {
                        hooksAt = to;
                        moved();
                    }}
                />{/if}
            <details ontoggle={(event) => event.currentTarget.open && balanced === null && ((balanced = [...middle]), moved())}>
                <summary class="link min-h-11 py-2">{texts.theBareCastHangsBalancedElsewhere}</summary>
                <p class="quiet">
                    Hang it by a hole and mark where the plumb line passes; from another hole, again: it is balanced where the lines cross.
                </p>
                {#if balanced !== null}<Places
                        what="Balanced"
                        at={balanced}
                        {middle}
                        size={answer.bbox_mm}
                        onmove={(to) => {
                            balanced = to;
                            moved();
                        }}
                    />{/if}
            </details>
            <p class="quiet">
                Who forgets that lead takes the place of resin would take {measure(result.without_displacement_g, 'mass', bench.units)}.
            </p>
        {/if}
        <Warnings warnings={result.warnings} />
        <p><button class="btn" onclick={lay} disabled={result.ballast_g < 0}>{texts.layItIntoTheWater}</button></p>
    {/if}
    {#if answer.float !== null}
        <p role="status">
            {#if answer.float.floats}It floats with {measure(answer.float.draught_mm, 'length', bench.units)} under water and {measure(
                    answer.float.freeboard_mm,
                    'length',
                    bench.units,
                )} over it{answer.float.stable ? '' : ', and tips over at a breath'}.{:else}It sinks, and hangs as it is drawn.{/if}
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
