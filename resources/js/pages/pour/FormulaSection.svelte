<script lang="ts">
    import type { LiveSheet } from '../../lib/pourSheet.svelte';
    import Choice from '../../parts/Choice.svelte';
    import RecipeEditor from '../../parts/RecipeEditor.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { PourSheetView } from '../../types/server';
    import * as texts from './texts';

    let { live, pour }: { live: LiveSheet; pour: PourSheetView } = $props();

    let earlier = $state('');

    /** What can be asked of the swatches for this pour; they answer in its grams and write into its sheet. */
    const questions = $derived.by(() => {
        const base = pour.shelf.bases.find((b) => b.code === live.sheet.formula.base);
        const bears = (role: string): boolean =>
            base !== undefined && pour.shelf.additives.some((a) => a.role.endsWith(role) && a.families.includes(base.family));
        const at = `?base=${live.sheet.formula.base}&pour=${String(pour.id)}`;
        return [
            ...(bears('softener') ? [{ href: `/swatches${at}`, asks: 'How soft?' }] : []),
            ...(bears('pigment') ? [{ href: `/swatches/colour${at}`, asks: 'Which colour?' }] : []),
        ];
    });

    function take(): void {
        const chosen = pour.formulas.find((f) => String(f.id) === earlier);
        if (chosen !== undefined) {
            live.sheet.formula = { base: chosen.recipe.base, additives: chosen.recipe.additives.map((a) => ({ ...a })) };
            live.sheet.formula_name = chosen.name;
            live.sheet.formula_from = chosen.id;
            earlier = '';
            live.changed();
        }
    }

    function setBase(code: string): void {
        live.sheet.formula.base = code;
        const now = pour.shelf.bases.find((b) => b.code === code);
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
            <Choice label={texts.startFromWhatWasPouredBefore} bind:value={earlier}>
                <option value="">{texts.choose}</option>
                {#each pour.formulas as f (f.id)}<option value={String(f.id)}>{f.name} · {f.number}</option>{/each}
            </Choice>
            <button type="button" class="btn" disabled={earlier === ''} onclick={take}>{texts.takeIt}</button>
        </div>
    {/if}
    <RecipeEditor
        bind:recipe={live.sheet.formula}
        shelf={pour.shelf}
        error={(path) => live.error(`formula.${path}`)}
        both={live.answer.additives}
        fresh={live.fresh}
        onbase={setBase}
        onchange={() => live.changed()}
    />
    {#if questions.length > 0}
        <p class="text-sm">
            <span class="quiet">Ask the swatches for this pour:</span>
            {#each questions as q (q.href)}<a class="link ml-2" href={q.href}>{q.asks}</a>{/each}
        </p>
    {/if}
    <TextLine
        label={texts.keepThisFormulaAs}
        placeholder="{pour.job}, {pour.impression}"
        bind:value={live.sheet.formula_name}
        oninput={() => live.changed()}
    />
</div>

<style>
    .pick {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.5rem;
        align-items: end;
    }
</style>
