<script module lang="ts">
    import type { Entry } from '../../lib/units';

    /** How the density of the cast is known: from the sheets of what it is mixed of, from a cast that was weighed, or typed. */
    export type Known = {
        by: 'sheet' | 'weighed' | 'typed';
        base: string;
        filler: string;
        filler_pct: Entry;
        air_g: Entry;
        in_water_g: Entry;
        sg: Entry;
    };
</script>

<script lang="ts">
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import type { RubbersView } from '../../types/server';

    type Props = { known: Known; rubbers: RubbersView; trouble: (...fields: string[]) => string | null; onchange: () => void };
    let { known = $bindable(), rubbers, trouble, onchange }: Props = $props();
</script>

<Choice label="Density of the cast" bind:value={known.by} {onchange}
    ><option value="sheet">by its mix</option><option value="weighed">weighed in water</option><option value="typed">I know it</option
    ></Choice
>
{#if known.by === 'sheet'}
    <Choice label="Cast of" bind:value={known.base} {onchange} error={trouble('resin.sg', 'resin.base_sg')}
        >{#each rubbers.bases as base (base.code)}<option value={base.code}>{base.name}</option>{/each}</Choice
    >
    <Choice label="Filler" bind:value={known.filler} {onchange}
        ><option value="">none</option>{#each rubbers.fillers as filler (filler.code)}<option value={filler.code}>{filler.name}</option
            >{/each}</Choice
    >
    {#if known.filler !== ''}<Measure
            label="Of it, by weight"
            kind="percent"
            bind:value={known.filler_pct}
            error={trouble('resin.filler_pct')}
            {onchange}
        />{/if}
{:else if known.by === 'weighed'}
    <Measure label="It weighs in air" kind="mass" bind:value={known.air_g} error={trouble('resin.air_g')} {onchange} />
    <Measure
        label="It weighs in water"
        kind="mass"
        bind:value={known.in_water_g}
        error={trouble('resin.in_water_g')}
        hint="hung under the scale; below nought where a sinker draws it under, less the sinker"
        {onchange}
    />
{:else}
    <Measure label="Density" kind="plain" bind:value={known.sg} error={trouble('resin.sg')} {onchange} />
{/if}
