<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { LiveSheet, Volume } from '../../lib/pourSheet.svelte';
    import Choice from '../../parts/Choice.svelte';
    import type { PourSheetView } from '../../types/server';
    import Field from './Field.svelte';
    import * as texts from './texts';

    type Props = {
        live: LiveSheet;
        learnt: { pct: number; pours: number } | null;
        took: { grams: number; pours: number } | null;
        studied: PourSheetView['studied'];
    };
    let { live, learnt, took, studied }: Props = $props();

    const methods = [
        { id: 'box', name: 'Box', hint: 'inner box, less the part' },
        { id: 'cylinder', name: 'Tube', hint: 'inner tube, less the part' },
        { id: 'capacity', name: 'It holds', hint: 'the mould is known, or marked, to hold so much' },
        { id: 'displacement', name: 'Rice', hint: 'filled with rice, sand or water and poured back' },
        { id: 'blanket', name: 'Clay', hint: 'clay blanket under a jacket' },
        { id: 'coats', name: 'Coats', hint: 'brushed on, coat by coat' },
        { id: 'mesh', name: 'Mesh', hint: 'volume of a model file' },
        { id: 'pieces', name: 'Pieces', hint: 'so many pieces of so much each, with their sprues' },
        { id: 'mass', name: 'By mass', hint: 'I know what it weighs' },
    ];
    const fresh: Record<string, () => Record<string, unknown>> = {
        box: () => ({ box: { l_mm: null, w_mm: null, h_mm: null }, part: null }),
        cylinder: () => ({ diameter_mm: null, height_mm: null, part: null }),
        displacement: () => ({ poured_back_ml: null }),
        blanket: () => ({ clay_ml: null, pour_up_ml: null }),
        coats: () => ({ area_mm2: null, coats: [{ thickness_mm: 1 }, { thickness_mm: 2 }] }),
        mesh: () => ({ volume_ml: null }),
        capacity: () => ({ capacity_ml: null }),
        pieces: () => ({ pieces: null, each_ml: null, spout_ml: 0 }),
    };

    // What was entered under another method comes back when one returns to it.
    const kept: Record<string, Volume> = {};
    const method = $derived(live.sheet.volume === null ? 'mass' : live.sheet.volume.method);

    function choose(id: string): void {
        const before = live.sheet.volume;
        if (before !== null) {
            kept[before.method] = before;
        }
        if (id === 'mass') {
            live.sheet.volume = null;
            live.sheet.target = { mass_g: live.sheet.target.mass_g ?? null, waste_pct: live.sheet.target.waste_pct };
        } else {
            live.sheet.volume = kept[id] ?? { method: id, ...fresh[id]?.(), allowance_pct: before?.allowance_pct ?? 8 };
            delete live.sheet.target.mass_g;
        }
        live.changed();
    }

    function takeLast(): void {
        choose('mass');
        live.sheet.target.mass_g = took?.grams ?? null;
        delete live.sheet.carried;
        live.changed();
    }
    /** What a method asks for, as the study of the piece has it. */
    const offers: Record<string, string> = {
        mesh: 'its volume',
        pieces: 'its volume',
        box: 'its box and volume',
        coats: 'its surface',
        blanket: 'its surface',
    };

    function takeStudied(): void {
        const volume = live.sheet.volume;
        if (studied === null || volume === null) {
            return;
        }
        if (volume.method === 'mesh') {
            volume.volume_ml = round(studied.volume_ml);
        } else if (volume.method === 'pieces') {
            volume.each_ml = round(studied.volume_ml);
        } else if (volume.method === 'box') {
            const [l, w, h] = studied.box_mm;
            volume.box = { l_mm: round(l), w_mm: round(w), h_mm: round(h) };
            volume.part = { volume_ml: round(studied.volume_ml) };
        } else if (volume.method === 'coats') {
            volume.area_mm2 = Math.round(studied.area_mm2);
        } else {
            delete volume.clay_ml;
            volume.area_mm2 = Math.round(studied.area_mm2);
            volume.thickness_mm ??= 10;
        }
        delete live.sheet.carried;
        live.changed();
    }
    const round = (value: number): number => Math.round(value * 10) / 10;
    const hasBlanket = $derived(live.sheet.volume?.area_mm2 !== undefined && method === 'blanket');

    function measured(): void {
        delete live.sheet.carried;
        live.changed();
    }

    type PartShape = { volume_ml?: unknown; displaced_ml?: unknown; form?: string } | null;
    const part = $derived((live.sheet.volume?.part ?? null) as PartShape);
    const partBy = $derived(part === null ? 'none' : 'volume_ml' in part ? 'volume' : 'displaced_ml' in part ? 'displaced' : 'outer');

    function measurePart(by: string): void {
        if (live.sheet.volume !== null) {
            live.sheet.volume.part =
                by === 'none'
                    ? null
                    : by === 'volume'
                      ? { volume_ml: null }
                      : by === 'displaced'
                        ? { displaced_ml: null }
                        : { l_mm: null, w_mm: null, h_mm: null, form: 'sculpted' };
            live.changed();
        }
    }

    type CoatList = { thickness_mm: unknown }[];
    const coats = $derived((live.sheet.volume?.coats ?? []) as CoatList);
</script>

<fieldset class="methods">
    <legend class="sr-only">{texts.howIsTheVolumeKnown}</legend>
    {#each methods as m (m.id)}
        <label class="chip" class:on={method === m.id}
            ><input
                type="radio"
                name="method"
                class="sr-only"
                value={m.id}
                checked={method === m.id}
                onchange={() => choose(m.id)}
            />{m.name}</label
        >
    {/each}
</fieldset>
{#if typeof live.sheet.carried === 'string'}
    <p class="carried" role="status">
        These measurements are carried over from {live.sheet.carried}.
        <button type="button" class="btn btn-sm" onclick={measured}>{texts.theyHoldHereToo}</button>
    </p>
{/if}
{#if took !== null && !(method === 'mass' && live.sheet.target.mass_g === took.grams)}
    <p class="text-sm">
        {took.pours === 1 ? 'The last pour' : `The last ${String(took.pours)} pours`} of it took
        <b class="fig">{measure(took.grams, 'mass', bench.units)}</b>.
        <button type="button" class="btn btn-sm" onclick={takeLast}>{texts.takeAsMuch}</button>
    </p>
{/if}
{#if studied !== null && offers[method] !== undefined}
    <p class="text-sm">
        {studied.name} was studied. <button type="button" class="btn btn-sm" onclick={takeStudied}>{texts.take(offers[method])}</button>
    </p>
{/if}
<p class="quiet text-sm">{methods.find((m) => m.id === method)?.hint}</p>

<div class="grid gap-3">
    {#if method === 'box'}
        <div class="three">
            <Field {live} path="volume.box.l_mm" label={texts.length} kind="length" />
            <Field {live} path="volume.box.w_mm" label={texts.width} kind="length" />
            <Field {live} path="volume.box.h_mm" label={texts.height} kind="length" />
        </div>
    {:else if method === 'cylinder'}
        <div class="three">
            <Field {live} path="volume.diameter_mm" label={texts.diameter} kind="length" />
            <Field {live} path="volume.height_mm" label={texts.height} kind="length" />
        </div>
    {:else if method === 'displacement'}
        <Field {live} path="volume.poured_back_ml" label={texts.pouredBack} kind="fluid" />
    {:else if method === 'capacity'}
        <Field {live} path="volume.capacity_ml" label={texts.itHolds} kind="fluid" />
    {:else if method === 'pieces'}
        <div class="three">
            <Field {live} path="volume.pieces" label={texts.pieces} kind="plain" />
            <Field {live} path="volume.each_ml" label={texts.eachTakes} kind="fluid" />
            <Field {live} path="volume.spout_ml" label={texts.sprueOfEach} kind="fluid" />
        </div>
    {:else if method === 'blanket'}
        <div class="three">
            {#if hasBlanket}<Field {live} path="volume.area_mm2" label={texts.areaUnderTheBlanket} kind="area" />
                <Field {live} path="volume.thickness_mm" label={texts.howThickItLies} kind="length" />{:else}<Field
                    {live}
                    path="volume.clay_ml"
                    label={texts.clayPressedIntoAMeasure}
                    kind="fluid"
                />{/if}
            <Field {live} path="volume.pour_up_ml" label={texts.funnelAndVents} kind="volume" />
        </div>
    {:else if method === 'coats'}
        <Field {live} path="volume.area_mm2" label={texts.areaToCover} kind="area" />
        {#each coats.keys() as i (i)}<Field {live} path="volume.coats.{i}.thickness_mm" label={texts.coat(i + 1)} kind="length" />{/each}
        <div class="flex gap-2">
            <button
                type="button"
                class="btn btn-sm"
                onclick={() => {
                    coats.push({ thickness_mm: 2 });
                    live.changed();
                }}>{texts.oneMoreCoat}</button
            >
            {#if coats.length > 1}<button
                    type="button"
                    class="btn btn-sm btn-ghost"
                    onclick={() => {
                        coats.pop();
                        live.changed();
                    }}>{texts.oneLess}</button
                >{/if}
        </div>
    {:else if method === 'mesh'}
        <Field {live} path="volume.volume_ml" label={texts.volumeOfTheMesh} kind="volume" />
    {:else}
        <Field {live} path="target.mass_g" label={texts.massWanted} kind="mass" />
    {/if}

    {#if method === 'box' || method === 'cylinder'}
        <Choice label={texts.whatStandsInIt} value={partBy} onchange={measurePart}>
            <option value="none">{texts.nothing}</option>
            <option value="outer">{texts.aPartByItsOuterSize}</option>
            <option value="displaced">{texts.aPartByWhatItDisplaces}</option>
            <option value="volume">{texts.aPartOfKnownVolume}</option>
        </Choice>
        {#if partBy === 'volume'}<Field {live} path="volume.part.volume_ml" label={texts.itsVolume} kind="volume" />{/if}
        {#if partBy === 'displaced'}<Field {live} path="volume.part.displaced_ml" label={texts.itDisplaces} kind="volume" />{/if}
        {#if partBy === 'outer'}
            <div class="three">
                <Field {live} path="volume.part.l_mm" label={texts.partLength} kind="length" />
                <Field {live} path="volume.part.w_mm" label={texts.partWidth} kind="length" />
                <Field {live} path="volume.part.h_mm" label={texts.partHeight} kind="length" />
            </div>
            <Choice
                label={texts.itIsShapedLike}
                value={part?.form}
                onchange={(form) => {
                    if (part !== null && form !== undefined) {
                        part.form = form;
                        live.changed();
                    }
                }}
            >
                <option value="box">{texts.aBox}</option><option value="cylinder">{texts.aCylinder}</option><option value="ellipsoid"
                    >{texts.anEgg}</option
                ><option value="sculpted">{texts.aSculpture}</option>
            </Choice>
        {/if}
    {/if}

    <div class="three">
        {#if method === 'mass'}
            <Field {live} path="target.waste_pct" label={texts.lostOnCupsAndSticks} kind="percent" />
        {:else}
            <Field {live} path="volume.allowance_pct" label={texts.cupWallsSprueOverflow} kind="percent" />
            {#if learnt !== null}
                <Field
                    {live}
                    path="volume.correction_pct"
                    label={texts.correctTheMeasuringBy}
                    kind="percent"
                    hint={texts.tookWithoutTheAllowance(
                        learnt.pours === 1 ? texts.theLastPour : texts.theLastPours(learnt.pours),
                        learnt.pct > 0 ? '+' : '',
                        learnt.pct,
                    )}
                />
            {/if}
        {/if}
    </div>
</div>

<style>
    .methods {
        display: flex;
        flex-wrap: wrap;
        gap: 0.3rem;
    }
    .carried {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.7rem;
    }
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(6.2rem, 1fr));
        gap: 0.6rem;
    }
</style>
