<script lang="ts">
    /** Every pigment that is known, what it takes of each, and which may be used. */
    import { bench } from '../../lib/bench.svelte';
    import { type Entry, measure } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import type { ColourAnswerView, ColourView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        pigments: ColourView['pigments'];
        recipe: ColourAnswerView['recipe'];
        load: (code: string) => Entry;
        barred: string[];
        fresh: boolean;
        trouble: (field: string) => string | null;
        onload: (code: string, pct: Entry) => void;
        onbar: (barred: string[]) => void;
    };
    let { pigments, recipe, load, barred, fresh, trouble, onload, onbar }: Props = $props();

    const toggled = (code: string): string[] => (barred.includes(code) ? barred.filter((c) => c !== code) : [...barred, code]);
</script>

<ul>
    {#each pigments as p (p.code)}
        {@const grams = recipe.find((r) => r.code === p.code)?.grams ?? null}
        <li style="--m:{p.colour}" class:barred={barred.includes(p.code)}>
            <span class="dot" aria-hidden="true"></span>
            <span class="pinch"
                ><Measure
                    label={p.name.replace(/ pigment$/, '')}
                    kind="percent"
                    value={load(p.code)}
                    error={trouble(`loads.${p.code}`)}
                    onchange={(value) => onload(p.code, value)}
                /></span
            >
            <span class="fig grams" class:stale={!fresh}>{grams === null ? '' : measure(grams, 'mass', bench.units, 2)}</span>
            <label class="use"
                ><input type="checkbox" class="checkbox" checked={!barred.includes(p.code)} onchange={() => onbar(toggled(p.code))} /><span
                    class="sr-only">{texts.mayBeUsed(p.name)}</span
                ></label
            >
        </li>
    {/each}
</ul>

<style>
    ul {
        display: grid;
        gap: 0.35rem;
    }
    li {
        display: grid;
        grid-template-columns: auto minmax(0, 1fr) 4.6rem auto;
        gap: 0.6rem;
        align-items: center;
    }
    .pinch :global(.measure) {
        grid-template-columns: 1fr 6.6rem;
        align-items: center;
    }
    .pinch :global(.field) {
        min-height: 2.75rem;
    }
    .grams {
        text-align: right;
        font-weight: 700;
    }
    .barred {
        opacity: 0.55;
    }
    .dot {
        width: 1.1rem;
        height: 1.1rem;
        border-radius: 50% 50% 50% 10%;
        background: var(--m);
    }
    .use {
        display: grid;
        place-items: center;
        min-width: 2.75rem;
        min-height: 2.75rem;
    }
</style>
