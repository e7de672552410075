<script lang="ts">
    import type { LiveSheet } from '../../lib/pourSheet.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import Field from './Field.svelte';
    import * as texts from './texts';

    /** `heated`: heat does what stirring and a vacuum would. */
    let { live, vacuum, heated = false }: { live: LiveSheet; vacuum: string; heated?: boolean } = $props();
    const vessel = $derived(live.sheet.plan.vessel);
    const cups = $derived(bench.frame?.workshop.cups ?? []);
    /** What a cup must hold for all of it at once: room to rise under vacuum, or to be stirred in. */
    const wanted = $derived.by((): number | null => {
        const ml = live.answer.mix?.volume_ml ?? null;
        const rise = typeof vessel?.rise_factor === 'number' ? vessel.rise_factor : 3;
        return ml === null ? null : vessel?.degas === true ? ml * rise : ml / 0.8;
    });
    const fits = $derived(wanted === null ? null : (cups.find((cup) => cup.ml >= wanted) ?? null));
    function take(cup: (typeof cups)[number]): void {
        if (vessel !== null) {
            vessel.capacity_ml = cup.ml;
            vessel.tare_g = cup.tare_g ?? vessel.tare_g;
            live.sheet.cup = 'hand';
            live.changed();
        }
    }
</script>

<div class="grid gap-3">
    {#if cups.length > 0 && vessel !== null}
        <div class="flex flex-wrap gap-1" role="group" aria-label={texts.yourCups}>
            {#each cups as cup (cup.ml)}<button
                    type="button"
                    class="chip"
                    class:on={vessel.capacity_ml === cup.ml}
                    aria-pressed={vessel.capacity_ml === cup.ml}
                    onclick={() => take(cup)}>{measure(cup.ml, 'fluid', bench.units)}</button
                >{/each}
        </div>
        {#if fits !== null && fits.ml !== vessel.capacity_ml}<p class="quiet text-sm">
                The smallest of yours that holds it all: {measure(fits.ml, 'fluid', bench.units)}.
            </p>{:else if wanted !== null && fits === null}<p class="quiet text-sm">None of yours holds it all at once.</p>{/if}
    {/if}
    <div class="three">
        <Field {live} path="plan.vessel.capacity_ml" label={texts.cupHolds} kind="fluid" onset={() => (live.sheet.cup = 'hand')} />
        <Field {live} path="plan.vessel.tare_g" label={texts.cupWeighs} kind="mass" />
        <Field {live} path="plan.pour_g_per_min" label={texts.youPour} kind="rate" />
    </div>
    <div class="three">
        <Field {live} path="plan.scale.division_g" label={texts.scaleSteps} kind="mass" />
        <Field {live} path="plan.scale.capacity_g" label={texts.scaleCarries} kind="mass" />
        {#if !heated}<Field {live} path="plan.mix_min" label={texts.mixing} kind="minutes" />{/if}
    </div>
    {#if heated}
        <Field {live} path="plan.thickest_mm" label={texts.thickestPlaceOfThePiece} kind="length" hint={texts.itCoolsByThatLeftOpen} />
        <p class="quiet text-sm">Weighed up cold; its clock counts from the heat.</p>
    {:else if vessel !== null}
        {#if vacuum !== 'never' || vessel.degas}<label class="flex items-center gap-2">
                <input type="checkbox" class="checkbox" bind:checked={vessel.degas} onchange={() => live.changed()} />
                <span>{texts.deAirItUnderVacuum}</span>
            </label>{/if}
        {#if vessel.degas && vacuum === 'never'}<p class="text-sm font-bold text-error" role="alert">
                This base must not see a vacuum: it sets, or boils, while it still foams. Leave it out.
            </p>{/if}
        {#if vessel.degas}
            <div class="three">
                <Field {live} path="plan.degas_min" label={texts.deAiring} kind="minutes" />
                <Field {live} path="plan.vessel.rise_factor" label={texts.risesToTimes} kind="plain" />
            </div>
        {/if}
    {/if}
</div>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 0.6rem;
    }
</style>
