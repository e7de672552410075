<script lang="ts">
    /** The cups of a series and what goes from them into each puck; where the display shows something else, that is typed over it. */
    import type { Snippet } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { Entry } from '../../lib/sheet.svelte';
    import { figure, minutes, sign } from '../../lib/units';
    import Lines from '../../parts/Lines.svelte';
    import Measure from '../../parts/Measure.svelte';
    import type { SeriesResult } from '../../types/server';

    type Props = {
        plan: SeriesResult;
        /** By cup or puck, then by line. */
        weighed: Record<string, Entry[]>;
        /** Between the cups and the pucks: there A meets B. */
        children: Snippet;
        onweighed: (cup: string, lines: { grams: number }[], line: number, grams: Entry) => void;
    };
    let { plan, weighed, children, onweighed }: Props = $props();

    const grams = (g: number): string => figure(g, 'mass', bench.units, bench.fine);
</script>

<div class="cups">
    {#each plan.cups as cup (cup.name)}
        <Lines lines={cup.lines} grams={cup.name === 'full cup' ? shown : undefined}>
            {#snippet caption()}
                <b>First the {plan.cups.length === 1 ? 'cup they all come from' : cup.name}</b>
                <span class="quiet">{grams(cup.mass_g)} {sign('mass', bench.units)}</span>
            {/snippet}
        </Lines>
        {#snippet shown(line: { add: string; grams: number }, j: number)}
            <span class="shown"
                ><Measure
                    label="{line.add} in the full cup"
                    kind="mass"
                    value={weighed[cup.name]?.[j] ?? line.grams}
                    onchange={(value) => onweighed(cup.name, cup.lines, j, value)}
                /></span
            >
        {/snippet}
    {/each}
</div>
{@render children()}
<p class="quiet text-sm">Mix well, then fill the pucks: about {minutes(plan.minutes)}.</p>
<ol class="pucks">
    {#each plan.pucks as p, i (p.wanted_pct)}
        <li>
            <p class="pct">
                <b class="fig">{figure(p.wanted_pct, 'percent', 'metric')}</b> %
                {#if Math.abs(p.true_pct - p.wanted_pct) > 0.05}<span class="quiet text-sm block"
                        >really <span class="fig">{figure(p.true_pct, 'percent', 'metric', 1)}</span></span
                    >{/if}
            </p>
            {#each p.lines as line, j (line.add)}
                <div class="weigh">
                    <Measure
                        label="{line.add}{j === 0 ? '' : `, display ${grams(line.running)}`}"
                        kind="mass"
                        value={weighed[String(i)]?.[j] ?? line.grams}
                        onchange={(value) => onweighed(String(i), p.lines, j, value)}
                    />
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
    .shown {
        display: inline-block;
        width: 7rem;
    }
    .shown :global(label) {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
    }
    .shown :global(.field) {
        min-height: 2.1rem;
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
    .weigh :global(.measure) {
        grid-template-columns: minmax(0, 1fr) 7rem;
        align-items: center;
        gap: 0.5rem;
    }
    .weigh :global(.field) {
        min-height: 2.4rem;
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
