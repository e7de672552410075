<script lang="ts">
    /** A recipe as it is written at a bench: the base, and what goes in, in order; every percentage on both bases. */
    import { basesIn } from '../lib/bases';
    import { bench } from '../lib/bench.svelte';
    import type { Additive } from '../lib/pourSheet.svelte';
    import { type Entry, bothWays, measure } from '../lib/units';
    import type { ShelfView } from '../types/server';
    import Choice from './Choice.svelte';
    import Measure from './Measure.svelte';
    import * as texts from './RecipeEditor.texts';

    type Wrong = { message: string; missing: boolean } | null;
    type Props = {
        recipe: { base: string; additives: Additive[] };
        shelf: ShelfView;
        /** What is wrong at a field, by its path within the recipe. */
        error: (path: string) => Wrong;
        both: { pct_of_ab: number; pct_of_one_part: number; grams: number }[];
        fresh: boolean;
        paint?: boolean;
        onbase: (code: string) => void;
        onchange: () => void;
    };
    let { recipe = $bindable(), shelf, error, both, fresh, paint = false, onbase, onchange }: Props = $props();

    const base = $derived(shelf.bases.find((b) => b.code === recipe.base) ?? null);
    const suitable = $derived(
        shelf.additives.filter((a) => a.here && (base === null || a.families.includes(base.family)) && (paint || !a.paint_only)),
    );
    const addable = $derived(suitable.filter((a) => !recipe.additives.some((line) => line.code === a.code)));
    const families = $derived([...new Set(shelf.bases.filter((b) => b.here || b.code === recipe.base).map((b) => b.family))]);
    const bases = $derived(Object.entries(basesIn(bench.units)));

    const sheetOf = (code: string): ShelfView['additives'][number] | undefined => shelf.additives.find((a) => a.code === code);

    // Chosen first, done with a button: a list that acts on every key would stir in all it passes.
    let adding = $state('');

    function add(): void {
        const sheet = sheetOf(adding);
        if (sheet !== undefined) {
            const into = base?.one_part === true && sheet.into === 'b' ? 'a' : sheet.into;
            recipe.additives.push({ code: sheet.code, amount: null, basis: sheet.basis, into });
            adding = '';
            onchange();
        }
    }

    function remove(i: number): void {
        recipe.additives.splice(i, 1);
        onchange();
    }

    function earlier(i: number): void {
        recipe.additives.splice(i - 1, 0, ...recipe.additives.splice(i, 1));
        onchange();
    }

    function amount(additive: Additive, value: Entry): void {
        additive.amount = value;
        onchange();
    }
</script>

<Choice label={texts.base} value={recipe.base} error={error('base')?.message ?? null} onchange={onbase}>
    {#if base === null}<option value={recipe.base}>{texts.chooseABase}</option>{/if}
    {#each families as family (family)}
        <optgroup label={family.replace('-', ' ')}>
            {#each shelf.bases.filter((b) => b.family === family && (b.here || b.code === recipe.base)) as b (b.code)}<option value={b.code}
                    >{b.name}</option
                >{/each}
        </optgroup>
    {/each}
</Choice>

{#each recipe.additives as additive, i (i)}
    {@const sheet = sheetOf(additive.code)}
    {@const shares = both[i]}
    {@const wrong = error(`additives.${String(i)}.amount`)}
    <div class="additive" style="--m:{sheet?.colour ?? '#ccc'}">
        <p class="font-bold"><span class="dot" aria-hidden="true"></span>{sheet?.name ?? additive.code}</p>
        <span class="flex gap-1">
            {#if i > 0}<button
                    type="button"
                    class="btn btn-ghost btn-xs"
                    onclick={() => earlier(i)}
                    aria-label={texts.earlier(sheet?.name ?? additive.code)}>{texts.earlierWithin}</button
                >{/if}
            <button
                type="button"
                class="btn btn-ghost btn-xs"
                onclick={() => remove(i)}
                aria-label={texts.takeOut(sheet?.name ?? additive.code)}>{texts.takeOutWithin}</button
            >
        </span>
        <div class="amounts">
            <Measure
                label={texts.howMuch}
                kind="plain"
                value={additive.amount}
                error={wrong?.message ?? null}
                missing={wrong?.missing ?? false}
                onchange={(value) => amount(additive, value)}
            />
            <Choice label={texts.countedIn} bind:value={additive.basis} {onchange} named="{sheet?.name ?? ''}: counted in">
                {#each bases as [id, words] (id)}<option value={id}>{words}</option>{/each}
            </Choice>
            <Choice label={texts.into} bind:value={additive.into} {onchange} named="{sheet?.name ?? ''}: into">
                <option value="a">{base?.part_a ?? 'A'}</option>
                {#if base?.one_part !== true}<option value="b">{base?.part_b ?? 'B'}</option>{/if}
                <option value="after">{texts.mixedCup}</option>
            </Choice>
        </div>
        {#each ['into', 'basis', 'code', 'name'] as field (field)}
            {@const off = error(`additives.${String(i)}.${field}`)}
            {#if off !== null}<p class="col-span-2 text-sm font-bold text-error" role="alert">{off.message}</p>{/if}
        {/each}
        {#if shares !== undefined}
            <p class="both fig" class:stale={!fresh}>
                {bothWays(shares, base?.one_part === true ? base.part_a : null)} = {measure(shares.grams, 'mass', bench.units, 2)}
            </p>
        {/if}
    </div>
{/each}

{#if addable.length > 0}
    <div class="pick">
        <Choice label={texts.stirSomethingIn} bind:value={adding}>
            <option value="">{paint ? texts.pigmentSolvent : texts.softenerPigmentFlock}</option>
            {#each addable as a (a.code)}<option value={a.code}>{a.name}</option>{/each}
        </Choice>
        <button type="button" class="btn" disabled={adding === ''} onclick={add}>{texts.stirItIn}</button>
    </div>
{/if}

<style>
    .additive {
        border-left: 6px solid var(--m);
        padding-left: 0.8rem;
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.3rem;
    }
    .pick {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.5rem;
        align-items: end;
    }
    .dot {
        display: inline-block;
        width: 0.8rem;
        height: 0.8rem;
        border-radius: 50% 50% 50% 10%;
        background: var(--m);
        border: 1px solid color-mix(in oklab, var(--m) 70%, black);
        margin-right: 0.45rem;
    }
    .amounts {
        grid-column: 1 / -1;
        display: grid;
        grid-template-columns: 0.9fr 1.2fr 1.1fr;
        gap: 0.5rem;
        align-items: start;
    }
    .both {
        grid-column: 1 / -1;
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
</style>
