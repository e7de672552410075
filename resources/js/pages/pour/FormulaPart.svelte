<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import type { LiveSheet } from '../../lib/sheet.svelte';
    import { figure, measure } from '../../lib/units';
    import type { PourSheetView } from '../../types/server';
    import Field from './Field.svelte';

    let { live, pour }: { live: LiveSheet; pour: PourSheetView } = $props();

    const formula = $derived(live.sheet.formula);
    const base = $derived(pour.bases.find((b) => b.code === formula.base) ?? null);
    const suitable = $derived(pour.additives.filter((a) => base === null || a.families.includes(pour.families[base.code] ?? '')));
    const shown = $derived([...new Set(formula.additives.map((a) => a.code))]);
    const addable = $derived(suitable.filter((a) => !shown.includes(a.code)));
    const families = $derived([...new Set(Object.values(pour.families))]);
    const bases = [
        ['pct_of_ab', '% of A+B'],
        ['pct_of_a', '% of A'],
        ['pct_of_b', '% of B'],
        ['pct_of_total', '% of all'],
        ['drops_per_100g', 'drops / 100 g'],
    ] as const;

    const sheetOf = (code: string): PourSheetView['additives'][number] | undefined => pour.additives.find((a) => a.code === code);

    // Chosen first, done with a button: a list that acts on every key would stir in all it passes.
    let adding = $state('');
    let earlier = $state('');

    function add(): void {
        const sheet = sheetOf(adding);
        if (sheet !== undefined) {
            const into = base?.one_part === true && sheet.into === 'b' ? 'a' : sheet.into;
            formula.additives.push({ code: sheet.code, amount: null, basis: sheet.basis, into });
            adding = '';
            live.changed();
        }
    }

    function remove(i: number): void {
        formula.additives.splice(i, 1);
        live.changed();
    }

    function take(): void {
        const chosen = pour.formulas.find((f) => String(f.id) === earlier);
        if (chosen !== undefined) {
            live.sheet.formula = { base: chosen.recipe.base, additives: chosen.recipe.additives.map((a) => ({ ...a })) };
            live.sheet.formula_name = chosen.name;
            earlier = '';
            live.changed();
        }
    }

    function setBase(code: string): void {
        formula.base = code;
        const now = pour.bases.find((b) => b.code === code);
        const vessel = live.sheet.plan.vessel;
        // A base that must not see a vacuum takes the vacuum out of the plan; the other way round is the maker's choice.
        if (now?.vacuum === 'never' && vessel !== null) {
            vessel.degas = false;
        }
        live.changed();
    }
</script>

<div class="grid gap-3">
    {#if pour.formulas.length > 0}
        <div class="pick">
            <label class="grid gap-1 text-sm"
                ><span class="quiet">Start from what was poured before</span>
                <select class="select w-full text-base" bind:value={earlier}>
                    <option value="">choose …</option>
                    {#each pour.formulas as f (f.id)}<option value={String(f.id)}>{f.name} · {f.number}</option>{/each}
                </select>
            </label>
            <button type="button" class="btn" disabled={earlier === ''} onclick={take}>Take it</button>
        </div>
    {/if}
    <label class="grid gap-1 text-sm"
        ><span class="quiet">Base</span>
        <select
            class="select w-full text-base"
            value={formula.base}
            onchange={(event) => setBase(event.currentTarget.value)}
            aria-invalid={live.error('formula.base') !== null}
        >
            {#if base === null}<option value={formula.base}>choose a base</option>{/if}
            {#each families as family (family)}
                <optgroup label={family.replace('-', ' ')}>
                    {#each pour.bases.filter((b) => pour.families[b.code] === family) as b (b.code)}<option value={b.code}>{b.name}</option
                        >{/each}
                </optgroup>
            {/each}
        </select>
        {#if live.error('formula.base') !== null}<span class="font-bold text-error">{live.error('formula.base')?.message}</span>{/if}
    </label>

    {#each formula.additives as additive, i (i)}
        {@const sheet = sheetOf(additive.code)}
        {@const both = live.answer.additives[i]}
        <div class="additive" style="--m:{sheet?.colour ?? '#ccc'}">
            <p class="font-bold"><span class="dot" aria-hidden="true"></span>{sheet?.name ?? additive.code}</p>
            <button
                type="button"
                class="btn btn-ghost btn-xs"
                onclick={() => remove(i)}
                aria-label="Take {sheet?.name ?? additive.code} out">take out</button
            >
            <div class="amounts">
                <Field {live} path="formula.additives.{i}.amount" label="How much" kind="plain" />
                <label class="grid gap-1 text-sm"
                    ><span class="quiet">counted in</span>
                    <select
                        class="select w-full"
                        bind:value={additive.basis}
                        onchange={() => live.changed()}
                        aria-label="{sheet?.name ?? ''}: counted in"
                    >
                        {#each bases as [id, words] (id)}<option value={id}>{words}</option>{/each}
                    </select>
                </label>
                <label class="grid gap-1 text-sm"
                    ><span class="quiet">into</span>
                    <select
                        class="select w-full"
                        bind:value={additive.into}
                        onchange={() => live.changed()}
                        aria-label="{sheet?.name ?? ''}: into"
                    >
                        <option value="a">{base?.part_a ?? 'A'}</option>
                        {#if base?.one_part !== true}<option value="b">{base?.part_b ?? 'B'}</option>{/if}
                        <option value="after">the mixed cup</option>
                    </select>
                </label>
            </div>
            {#each ['into', 'basis', 'code', 'name'] as field (field)}
                {@const wrong = live.error(`formula.additives.${String(i)}.${field}`)}
                {#if wrong !== null}<p class="col-span-2 text-sm font-bold text-error" role="alert">{wrong.message}</p>{/if}
            {/each}
            {#if both !== undefined}
                <p class="both fig" class:stale={!live.fresh}>
                    {figure(both.pct_of_ab, 'percent', 'metric')} % of A+B = {figure(both.pct_of_one_part, 'percent', 'metric')} % of A alone
                    = {measure(both.grams, 'mass', bench.units, 2)}
                </p>
            {/if}
        </div>
    {/each}

    {#if addable.length > 0}
        <div class="pick">
            <label class="grid gap-1 text-sm"
                ><span class="quiet">Stir something in</span>
                <select class="select w-full text-base" bind:value={adding}>
                    <option value="">softener, pigment, flock …</option>
                    {#each addable as a (a.code)}<option value={a.code}>{a.name}</option>{/each}
                </select>
            </label>
            <button type="button" class="btn" disabled={adding === ''} onclick={add}>Stir it in</button>
        </div>
    {/if}
    <label class="grid gap-1 text-sm"
        ><span class="quiet">Keep this formula as</span>
        <input
            class="input w-full text-base"
            placeholder="{pour.job}, {pour.impression}"
            bind:value={live.sheet.formula_name}
            oninput={() => live.changed()}
        />
    </label>
</div>

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
    .amounts select {
        min-height: 2.75rem;
    }
    .both {
        grid-column: 1 / -1;
        font-size: 0.85rem;
        color: var(--color-neutral);
    }
    .stale {
        opacity: 0.35;
    }
</style>
