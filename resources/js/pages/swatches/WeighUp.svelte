<script lang="ts">
    /** The cups of a series and what goes from them into each puck: as planned, or, on the bench, with what is in. */
    import type { Snippet } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { type Entry, figure, minutes, sign } from '../../lib/units';
    import Lines from '../../parts/Lines.svelte';
    import Measure from '../../parts/Measure.svelte';
    import type { SeriesResult, WeighingResult } from '../../types/server';

    type Props = {
        plan: SeriesResult;
        fine: number;
        /** What is in, by vessel and line; absent while it is only planned. */
        grams?: Record<string, (number | null)[]>;
        next?: WeighingResult | null;
        onwrite?: (vessel: string, line: number, grams: Entry) => void;
        /** Between the cups and the pucks: there A meets B. */
        children?: Snippet;
    };
    let { plan, fine, grams, next = null, onwrite, children }: Props = $props();

    const isIn = (vessel: string, line: number): boolean => (grams?.[vessel]?.[line] ?? null) !== null;
    const isNow = (vessel: string, line: number): boolean => next?.vessel === vessel && next.line === line;
    const shown = (g: number): string => figure(g, 'mass', bench.units, fine);

    // A field is written down when one leaves it, not with every digit.
    let typed = $state<Record<string, Entry>>({});
    const place = (vessel: string, line: number): string => `${vessel}/${String(line)}`;
    const wrong = (value: Entry | undefined): string | null =>
        typeof value === 'string' || (typeof value === 'number' && value < 0) ? 'Write a number: 12.3.' : null;
    function leave(vessel: string, line: number): void {
        const key = place(vessel, line);
        if (key in typed && wrong(typed[key]) === null) {
            onwrite?.(vessel, line, typed[key] ?? null);
            typed = Object.fromEntries(Object.entries(typed).filter(([other]) => other !== key));
        }
    }
</script>

{#snippet amount(vessel: string, line: { grams: number }, j: number, label: string)}
    {#if onwrite === undefined}
        <span class="fig">{shown(line.grams)}</span>
    {:else}
        <span
            class="field-of"
            class:in={isIn(vessel, j)}
            class:now={isNow(vessel, j)}
            role="presentation"
            onfocusout={() => leave(vessel, j)}
            onkeydown={(event) => event.key === 'Enter' && leave(vessel, j)}
        >
            <Measure
                {label}
                kind="mass"
                {fine}
                error={wrong(typed[place(vessel, j)])}
                value={typed[place(vessel, j)] ?? grams?.[vessel]?.[j] ?? line.grams}
                onchange={(value) => (typed = { ...typed, [place(vessel, j)]: value })}
            />
        </span>
    {/if}
{/snippet}

<div class="cups">
    {#each plan.cups as cup (cup.code)}
        <Lines lines={cup.lines} {fine} grams={inCup}>
            {#snippet caption()}
                <b>First {plan.cups.length === 1 ? 'the cup they all come from' : `the ${cup.name}`}</b>
                <span class="quiet">{shown(cup.mass_g)} {sign('mass', bench.units)}</span>
            {/snippet}
        </Lines>
        {#snippet inCup(line: { add: string; grams: number }, j: number)}
            <span class="in-cup">{@render amount(cup.code, line, j, `${line.add} in the ${cup.name}`)}</span>
        {/snippet}
    {/each}
</div>
{@render children?.()}
<p class="quiet text-sm">Mix well, then fill the pucks: about {minutes(plan.minutes)}.</p>
<ol class="pucks">
    {#each plan.pucks as p (p.code)}
        <li>
            <p class="pct">
                <b class="fig">{figure(p.wanted_pct, 'percent', 'metric')}</b> %
                {#if Math.abs(p.true_pct - p.wanted_pct) > 0.05}<span class="quiet text-sm block"
                        >really <span class="fig">{figure(p.true_pct, 'percent', 'metric', 1)}</span></span
                    >{/if}
            </p>
            {#each p.lines as line, j (line.add)}
                {@const label = `${line.add}${j === 0 ? '' : `, display ${shown(line.running)}`}`}
                <div class="weigh" class:plain={onwrite === undefined}>
                    {#if onwrite === undefined}<span class="quiet text-sm">{label}</span>{/if}
                    {@render amount(p.code, line, j, label)}
                </div>
            {/each}
        </li>
    {/each}
</ol>

<style>
    .cups {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
        gap: 1.5rem;
        align-items: start;
    }
    .in-cup :global(.measure) {
        display: inline-block;
        width: 7rem;
    }
    .in-cup :global(label) {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
    }
    .in :global(.field) {
        border-color: var(--color-success);
    }
    .in :global(.field)::before {
        content: '✓' / 'in';
        color: var(--color-success);
    }
    .now :global(.field) {
        border-color: var(--color-accent);
    }
    .in-cup :global(.field) {
        min-height: 2.75rem;
    }
    .pucks {
        margin: 0.6rem 0;
    }
    .pucks li {
        display: grid;
        grid-template-columns: 5rem repeat(2, minmax(0, 1fr));
        gap: 0.8rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        padding: 0.35rem 0;
    }
    .pct b {
        font-size: 1.4rem;
    }
    .plain {
        display: flex;
        justify-content: space-between;
        gap: 0.5rem;
    }
    .weigh :global(.measure) {
        grid-template-columns: minmax(0, 1fr) 7rem;
        align-items: center;
        gap: 0.5rem;
    }
    .weigh :global(.field) {
        min-height: 2.75rem;
    }
    @media (max-width: 1000px) {
        .pucks li {
            grid-template-columns: 4rem minmax(0, 1fr);
        }
        .pucks li > :nth-child(3) {
            grid-column: 2;
        }
    }
</style>
