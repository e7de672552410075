<script lang="ts">
    /** What so much softener costs, in the figures a maker feels with a thumb. */
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure } from '../../lib/units';
    import type { HardnessAnswerView } from '../../types/server';
    import * as texts from './texts';

    let { cost, answer }: { cost: NonNullable<HardnessAnswerView['cost']>; answer: HardnessAnswerView } = $props();

    const bleeds = { none: 'none to expect', begins: 'begins about here', sure: 'it will sweat' };
</script>

{#snippet told(what: string, value: number | null, unit: string, digits: number)}
    {#if value !== null}
        <div>
            <dt>{what}</dt>
            <dd><span class="fig">{figure(value, 'plain', 'metric', digits)}</span> {unit}</dd>
        </div>
    {/if}
{/snippet}

<dl aria-label={texts.whatSoMuchSoftenerCosts}>
    {#if cost.tear_n_mm !== null}<div>
            <dt>{texts.tearStrength}</dt>
            <dd class="fig">{measure(cost.tear_n_mm, 'tear', bench.units)}</dd>
        </div>{/if}
    {@render told('thinnest place tears at', cost.edge_n, 'N', 1)}
    {@render told('stretches by', cost.elongation_pct, '%', 0)}
    {@render told(`pours for, at ${measure(answer.room_c, 'temperature', bench.units, 0)}`, cost.pot_life_min, 'min', 0)}
    <div>
        <dt>{texts.sweatingOut}</dt>
        <dd>{bleeds[cost.bleed]}</dd>
    </div>
    {@render told('its sheet allows', answer.limit_pct, '% of A+B', 0)}
</dl>

<style>
    dl {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem 2rem;
        margin-block: 0.4rem 0.6rem;
    }
    dt {
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    dd {
        font-weight: 700;
        font-size: 1.1rem;
    }
</style>
