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
    import * as texts from './texts';

    type Props = { known: Known; rubbers: RubbersView; trouble: (...fields: string[]) => string | null; onchange: () => void };
    let { known = $bindable(), rubbers, trouble, onchange }: Props = $props();
</script>

<Choice label={texts.densityOfTheCast} bind:value={known.by} {onchange}
    ><option value="sheet">{texts.byItsMix}</option><option value="weighed">{texts.weighedInWater}</option><option value="typed"
        >{texts.iKnowIt}</option
    ></Choice
>
{#if known.by === 'sheet'}
    <Choice label={texts.castOf} bind:value={known.base} {onchange} error={trouble('resin.sg', 'resin.base_sg')}
        >{#each rubbers.bases as base (base.code)}<option value={base.code}>{base.name}</option>{/each}</Choice
    >
    <Choice label={texts.filler} bind:value={known.filler} {onchange}
        ><option value="">{texts.none}</option>{#each rubbers.fillers as filler (filler.code)}<option value={filler.code}
                >{filler.name}</option
            >{/each}</Choice
    >
    {#if known.filler !== ''}<Measure
            label={texts.ofItByWeight}
            kind="percent"
            bind:value={known.filler_pct}
            error={trouble('resin.filler_pct')}
            {onchange}
        />{/if}
{:else if known.by === 'weighed'}
    <Measure label={texts.itWeighsInAir} kind="mass" bind:value={known.air_g} error={trouble('resin.air_g')} {onchange} />
    <Measure
        label={texts.itWeighsInWater}
        kind="mass"
        bind:value={known.in_water_g}
        error={trouble('resin.in_water_g')}
        hint={texts.hungUnderTheScaleBelowNought}
        {onchange}
    />
{:else}
    <Measure label={texts.density} kind="plain" bind:value={known.sg} error={trouble('resin.sg')} {onchange} />
{/if}
