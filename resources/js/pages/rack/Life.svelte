<script lang="ts">
    /** How many casts are left, on what that rests, and whether it is enough. */
    import { figure } from '../../lib/units';
    import Warnings from '../../parts/Warnings.svelte';
    import type { MouldPageView } from '../../types/server';
    import * as texts from './texts';

    let { mould }: { mould: MouldPageView } = $props();
    const life = $derived(mould.life);
    const total = $derived(life === null ? 1 : Math.max(1, mould.casts + life.left.high));
    const share = (casts: number): string => `${String((100 * casts) / total)}%`;
</script>

{#if life !== null}
    <section class="life" aria-label={texts.howManyCastsAreLeft}>
        <div class="scale" aria-hidden="true">
            <i class="used" style="width:{share(mould.casts)}"></i>
            <i class="sure" style="left:{share(mould.casts)};width:{share(life.left.low)}"></i>
            <i class="band" style="left:{share(mould.casts + life.left.low)};width:{share(life.left.high - life.left.low)}"></i>
            <b style="left:{share(mould.casts + life.left.likely)}"></b>
            {#if mould.ahead !== null && mould.ahead > 0}<u style="left:{share(Math.min(total, mould.casts + mould.ahead))}"></u>{/if}
        </div>
        <p class="text-xl">
            <span class="fig font-bold">{mould.casts}</span> casts made, likely
            <span class="fig font-bold">{life.left.likely}</span> left
            <span class="quiet">({life.left.low} to {life.left.high}, four moulds in five)</span>
        </p>
        <p>{life.advice} <span class="quiet">{mould.longer}</span></p>
        {#if mould.ahead !== null && life.chance_of_ahead !== null && mould.ahead > 0}
            <p>
                {mould.ahead}
                {mould.ahead === 1 ? 'cast is' : 'casts are'} still to be made for the job; it lasts that long with a chance of
                <b class="fig">{figure(100 * life.chance_of_ahead, 'percent', 'metric', 0)} %</b>.
            </p>
        {/if}
        <p class="quiet text-sm">
            Usual for this pairing: {Math.round(mould.usual)} casts. {life.rests_on === 0
                ? 'No other mould of yours has told anything yet.'
                : `${String(life.rests_on)} other moulds of yours are counted in.`}
        </p>
        <Warnings warnings={life.warnings} />
    </section>
{/if}

<style>
    .life {
        display: grid;
        gap: 0.3rem;
        margin-top: 0.9rem;
        max-width: 70rem;
    }
    .scale {
        position: relative;
        height: 2.2rem;
        border-radius: 0.6rem;
        background: var(--color-base-200);
        overflow: hidden;
    }
    .scale i,
    .scale b,
    .scale u {
        position: absolute;
        inset-block: 0;
    }
    .used {
        left: 0;
        background: repeating-linear-gradient(90deg, var(--color-neutral) 0 2px, transparent 2px 7px);
    }
    .sure {
        background: var(--color-success);
    }
    .band {
        background: repeating-linear-gradient(45deg, var(--color-success) 0 4px, transparent 4px 8px);
    }
    .scale b {
        width: 3px;
        margin-left: -1px;
        background: var(--color-base-content);
    }
    .scale u {
        width: 3px;
        background: var(--color-accent);
    }
</style>
