<script lang="ts">
    /** A recipe being written, with what it comes to beside it. */
    import type { Snippet } from 'svelte';
    import { onMount } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { basesIn } from '../../lib/bases';
    import { bench } from '../../lib/bench.svelte';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import { type Entry, bothWays, figure, measure } from '../../lib/units';
    import Cautions from '../../parts/Cautions.svelte';
    import Lines from '../../parts/Lines.svelte';
    import Measure from '../../parts/Measure.svelte';
    import RecipeEditor from '../../parts/RecipeEditor.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { FormulaAnswerView, ShelfView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        recipe: { base: string; additives: Additive[] };
        shelf: ShelfView;
        paint: boolean;
        /** The recipe is only shown, not changed. */
        fixed?: boolean;
        fresh?: boolean;
        children?: Snippet;
    };
    let { recipe = $bindable(), shelf, paint, fixed = false, fresh = $bindable(true), children }: Props = $props();

    let grams = $state<Entry>(100);
    const asking = new Asking<FormulaAnswerView | null>(
        'POST',
        '/formulas/reckon',
        () => ({ recipe: $state.snapshot(recipe), mass_g: grams, paint }),
        null,
    );
    const answer = $derived(asking.answer);
    const sheetOf = (code: string): ShelfView['additives'][number] | undefined => shelf.additives.find((a) => a.code === code);
    const base = $derived(shelf.bases.find((b) => b.code === recipe.base));
    const error = (path: string): { message: string; missing: boolean } | null => {
        const wrong = asking.trouble;
        return wrong !== null && (wrong.field === path || wrong.field === `recipe.${path}`)
            ? { message: wrong.message, missing: path.endsWith('.amount') && recipe.additives.some((a) => a.amount === null) }
            : null;
    };
    const elsewhere = $derived(
        asking.trouble !== null && !/^(recipe\.)?(base$|additives\.\d+\.(amount|into|basis|code|name)$)/.test(asking.trouble.field)
            ? asking.trouble.message
            : null,
    );
    const called = (add: string): string => (add === 'A' ? (base?.part_a ?? 'A') : add === 'B' ? (base?.part_b ?? 'B') : add);
    const sides: Record<string, string> = { after: 'the mixed cup' };
    const words = $derived(basesIn(bench.units));

    $effect(() => {
        fresh = asking.fresh;
    });
    export function changed(): void {
        asking.changed();
    }
    onMount(() => {
        if (recipe.base !== '') {
            asking.changed();
        }
    });
</script>

<div class="written">
    <div class="grid gap-3 content-start">
        {#if fixed}
            <p><b>{base?.name ?? recipe.base}</b></p>
            <ol class="lines" aria-label={texts.whatGoesInInOrder}>
                {#each recipe.additives as line, i (line.code)}
                    {@const sheet = sheetOf(line.code)}
                    <li style="--m:{sheet?.colour ?? '#ccc'}">
                        <p>
                            <b>{sheet?.name ?? line.code}</b>
                            <span class="fig font-bold">{figure(Number(line.amount), 'plain', 'metric')}</span>
                            {base?.one_part === true ? (words[line.basis] ?? '').replace('A+B', base.part_a) : words[line.basis]}
                            <span class="quiet">into {sides[line.into] ?? called(line.into.toUpperCase())}</span>
                        </p>
                        {#if answer?.additives[i] !== undefined}<p class="fig quiet text-sm" class:stale={!asking.fresh}>
                                {bothWays(answer.additives[i], base?.one_part === true ? base.part_a : null)}
                            </p>{/if}
                    </li>
                {:else}<li class="quiet">nothing but the base</li>{/each}
            </ol>
        {:else}
            <RecipeEditor
                bind:recipe
                {shelf}
                {error}
                both={answer?.additives ?? []}
                fresh={asking.fresh}
                {paint}
                onbase={(code) => {
                    recipe.base = code;
                    asking.changed();
                }}
                onchange={() => asking.changed()}
            />
        {/if}
        <Wrong says={elsewhere} />
        {@render children?.()}
    </div>
    <div class="grid gap-3 content-start" aria-busy={!asking.fresh}>
        {#if answer !== null}
            {#if answer.hardness !== null && !paint}<p class:stale={!asking.fresh}>
                    <b class="fig text-3xl">{answer.hardness}</b> <span class="quiet">to expect</span>
                </p>{/if}
            {#if !paint}
                <div class="by">
                    <Measure
                        label={texts.howMuchFor}
                        kind="mass"
                        bind:value={grams}
                        error={error('mass_g')?.message ?? null}
                        onchange={() => asking.changed()}
                    />
                </div>
                <div class:stale={!asking.fresh}>
                    <Lines lines={answer.mix.batches[0]?.lines ?? []} {called}>
                        {#snippet foot()}{measure(answer.mix.sg, 'density', bench.units, 3)}, {measure(
                                answer.mix.volume_ml,
                                'volume',
                                bench.units,
                            )}{/snippet}
                    </Lines>
                </div>
            {/if}
            <div class:stale={!asking.fresh}><Warnings warnings={answer.warnings} /></div>
        {/if}
    </div>
    {#if answer !== null}<div class="cautions-here"><Cautions cautions={answer.cautions} gear={answer.gear} /></div>{/if}
</div>

<style>
    .written {
        display: grid;
        grid-template-columns: minmax(0, 1.2fr) minmax(16rem, 1fr);
        gap: 1.25rem 2rem;
    }
    .lines li {
        border-left: 6px solid var(--m, var(--color-base-300));
        padding: 0.15rem 0 0.15rem 0.7rem;
        margin-bottom: 0.4rem;
    }
    .by {
        max-width: 12rem;
    }
    .cautions-here {
        grid-column: 1 / -1;
        border-top: 1px solid var(--color-base-300);
        padding-top: 0.8rem;
    }
    .cautions-here :global(.cautions) {
        display: block;
        columns: 20rem;
        column-gap: 2rem;
    }
    .cautions-here :global(dt) {
        break-after: avoid;
    }
    .cautions-here :global(dd) {
        break-inside: avoid;
    }
    @media (max-width: 800px) {
        .written {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
