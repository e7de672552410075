<script lang="ts">
    /** What it comes to: a piece, its shares, and what is to pay now. */
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure, type Entry } from '../../lib/units';
    import Warnings from '../../parts/Warnings.svelte';
    import type { CostView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        cost: CostView;
        answer: NonNullable<CostView['answer']>;
        asked: { casts: Entry; materials: { code: string; name: string; on_hand_g: number }[] };
        unpriced: string[];
        money: (amount: string) => string;
    };
    let { cost, answer, asked, unpriced, money }: Props = $props();
    const isPiece = $derived(cost.of === 'job');
    const shares = $derived(
        (
            [
                ['material', answer.shares.materials],
                ['moulds', answer.shares.mould],
                ['hands', answer.shares.labour],
                ['other', answer.shares.other],
            ] as const
        ).filter(([, share]) => share > 0),
    );
</script>

<p class="sum">
    <span class="fig">{money(isPiece ? answer.per_piece : answer.total)}</span>
    <span class="quiet">{isPiece ? 'a good piece' : cost.of === 'formula' ? 'a kilogram' : 'the mould'}</span>
</p>
{#if unpriced.length > 0}<p class="border-l-4 border-warning pl-3">
        Without {unpriced.join(', ')}: no price is written for that.
    </p>{/if}
<div class="bar" role="img" aria-label={shares.map(([name, share]) => `${name} ${String(Math.round(share))} %`).join(', ')}>
    {#each shares as [name, share] (name)}<i class={name} style="flex:{share}"
            >{#if share > 12}{name} {figure(share, 'percent', 'metric', 0)} %{/if}</i
        >{/each}
</div>
<dl>
    {#if isPiece}<dt>{texts.allTogether(asked.casts ?? '')}</dt>
        <dd class="fig">{money(answer.total)}</dd>
        <dt>{texts.wornOffTheMoulds}</dt>
        <dd class="fig">{money(answer.mould)}</dd>{/if}
    <dt>{texts.hands}</dt>
    <dd class="fig">{money(answer.labour)}</dd>
    <dt>{texts.toPayNowInWholeKits}</dt>
    <dd class="fig">{money(answer.cash)}</dd>
</dl>
<ul class="text-sm">
    {#each answer.lines.filter((line) => line.kits > 0) as line (line.name)}<li>
            {line.kits} × {line.name} to buy, {money(line.cash)}
        </li>{/each}
</ul>
{#each asked.materials.filter((m) => m.on_hand_g > 0) as m (m.code)}<p class="quiet text-sm">
        {measure(m.on_hand_g, 'mass', bench.units, 0)} of {m.name} are on hand.
    </p>{/each}
<Warnings warnings={answer.warnings} />

<style>
    .sum {
        display: grid;
    }
    .sum .fig {
        font-size: 3rem;
        font-weight: 700;
        line-height: 1.1;
    }
    .bar {
        display: flex;
        gap: 3px;
        margin: 0.75rem 0;
    }
    .bar i {
        font-style: normal;
        padding: 0.3rem 0.5rem;
        border-radius: 0.4rem;
        background: var(--color-base-300);
        white-space: nowrap;
        overflow: hidden;
        min-height: 2.1rem;
        font-size: 0.9rem;
    }
    .bar .material {
        background: var(--color-accent);
        color: var(--color-accent-content);
    }
    .bar .moulds {
        background: var(--color-neutral);
        color: var(--color-neutral-content);
    }
    .bar .hands {
        background: var(--color-primary);
        color: var(--color-primary-content);
    }
    dl {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.3rem 1rem;
    }
    dd {
        text-align: right;
        font-weight: 700;
    }
</style>
