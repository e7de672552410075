<script lang="ts">
    import type { LiveSheet } from '../../lib/sheet.svelte';
    import Field from './Field.svelte';

    let { live, vacuum }: { live: LiveSheet; vacuum: string } = $props();
    const vessel = $derived(live.sheet.plan.vessel);
</script>

<div class="grid gap-3">
    <div class="three">
        <Field {live} path="plan.vessel.capacity_ml" label="Cup holds" kind="volume" />
        <Field {live} path="plan.vessel.tare_g" label="Cup weighs" kind="mass" />
        <Field {live} path="plan.pour_g_per_min" label="You pour" kind="rate" />
    </div>
    <div class="three">
        <Field {live} path="plan.scale.division_g" label="Scale steps" kind="mass" />
        <Field {live} path="plan.scale.capacity_g" label="Scale carries" kind="mass" />
        <Field {live} path="plan.mix_min" label="Mixing" kind="minutes" />
    </div>
    {#if vessel !== null}
        <label class="flex items-center gap-2">
            <input type="checkbox" class="checkbox" bind:checked={vessel.degas} onchange={() => live.changed()} />
            <span>Draw the air out under vacuum</span>
        </label>
        {#if vessel.degas && vacuum === 'never'}<p class="text-sm font-bold text-error" role="alert">
                This base must not see a vacuum: it sets, or boils, while it still foams. Leave it out.
            </p>{/if}
        {#if vessel.degas}
            <div class="three">
                <Field {live} path="plan.degas_min" label="De-airing" kind="minutes" />
                <Field {live} path="plan.vessel.rise_factor" label="Rises to … times" kind="plain" />
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
