<script lang="ts">
    import type { RequestPayload } from '@inertiajs/core';
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { refused } from '../../lib/refused';
    import { type Entry, figure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Working from '../../parts/Working.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { SeriesResult, SeriesView } from '../../types/server';
    import Heading from './Heading.svelte';
    import WeighUp from './WeighUp.svelte';
    import * as texts from './texts';

    let { page }: { page: SeriesView } = $props();

    const usually = { softener: { puck: 25, thickness: 8 }, tint: { puck: 12, thickness: 2 } };
    /** What is typed here before anything is poured; it comes back after a reload of the same address. */
    type Form = {
        kind: 'softener' | 'tint';
        base: string;
        pigment: string;
        softener: string;
        load: Entry;
        /** As usual for this base until somebody says otherwise. */
        steps: string | null;
        puck: Entry;
        thickness: Entry;
        spare: Entry;
        mixing: Entry;
    };
    const typing = new Typing<Form>(
        `series${location.search}`,
        untrack(() => ({
            ...{ kind: page.kind, base: page.base, pigment: page.pigment, softener: '', load: 1, spare: 10, mixing: 3 },
            ...{ ...usually[page.kind], steps: null },
        })),
    );
    const form = typing.value;

    const sheet = $derived(page.bases.find((b) => b.code === form.base));
    const softening = $derived(sheet?.softeners.find((s) => s.code === form.softener) ?? sheet?.softeners[0]);
    const pigments = $derived(page.pigments.filter((p) => p.families.includes(sheet?.family ?? '')));
    const tinting = $derived(pigments.find((p) => p.code === form.pigment) ?? pigments[0]);
    const bases = $derived(page.bases.filter((b) => form.kind === 'tint' || b.softeners.length > 0));
    const why = $derived(refused('series'));

    const steps = $derived(
        form.steps ??
            (form.kind === 'tint'
                ? [0, 30, 100]
                : [0, 0.3, 0.6, 0.9].map((share) => Math.round(share * (softening?.limit_pct ?? 100)))
            ).join(' '),
    );

    const question = (): Record<string, unknown> => ({
        kind: form.kind,
        recipe: {
            base: form.base,
            additives:
                form.kind === 'tint' && tinting !== undefined
                    ? [{ code: tinting.code, amount: form.load, basis: sheet?.pigment_basis, into: sheet?.pigment_into }]
                    : [],
        },
        ...(form.kind === 'tint' ? { pigments: tinting === undefined ? [] : [tinting.code] } : { softener: softening?.code ?? null }),
        steps: steps
            .trim()
            .split(/[\s;/]+|,\s+/)
            .filter((word) => word !== '')
            .map((word) => (Number.isFinite(Number(word.replace(',', '.'))) ? Number(word.replace(',', '.')) : word)),
        puck_ml: form.puck,
        spare_pct: form.spare,
        mix_min: form.mixing,
    });
    const asking = new Asking<SeriesResult | null>('POST', '/swatches/series/plan', question, null);
    const plan = $derived(asking.answer);
    const ask = (): void => asking.changed();
    const trouble = (...fields: string[]): string | null =>
        asking.trouble !== null && fields.some((f) => asking.trouble?.field.startsWith(f) === true) ? asking.trouble.message : null;
    const elsewhere = $derived(
        asking.trouble !== null && trouble('steps', 'pct_', 'puck_ml', 'spare_pct', 'mix_min', 'recipe.additives.0.amount') === null
            ? asking.trouble.message
            : null,
    );

    function choose(next: 'softener' | 'tint'): void {
        Object.assign(form, { kind: next, ...usually[next], steps: null });
        if (!bases.some((b) => b.code === form.base)) {
            form.base = bases[0]?.code ?? '';
        }
        ask();
    }
    /** From here on its plan stays as it is. */
    const begin = (): void =>
        router.post('/swatches/series', { ...question(), thickness_mm: form.thickness } as RequestPayload, {
            preserveState: true,
            onSuccess: () => typing.forget(),
        });
    /** The first drawdowns of a base, at one press. */
    const first = (): void => {
        const { steps: at, puck_ml, spare_pct, mix_min } = question();
        router.post(
            '/swatches/series/first',
            { base: form.base, load: form.load, steps: at, puck_ml, spare_pct, mix_min, thickness_mm: form.thickness } as RequestPayload,
            { preserveState: true, onSuccess: () => typing.forget() },
        );
    };
    onMount(() => asking.changed());
</script>

<Heading title={texts.makeASeries} />

<div class="screen">
    <section class="grid gap-3 content-start" aria-label={texts.whatIsMade}>
        <fieldset class="flex flex-wrap gap-1">
            <legend class="sr-only">{texts.whatRises}</legend>
            <label class="chip" class:on={form.kind === 'softener'}
                ><input
                    type="radio"
                    class="sr-only"
                    name="kind"
                    checked={form.kind === 'softener'}
                    onchange={() => choose('softener')}
                />{texts.softenerForHardness}</label
            >
            <label class="chip" class:on={form.kind === 'tint'}
                ><input
                    type="radio"
                    class="sr-only"
                    name="kind"
                    checked={form.kind === 'tint'}
                    onchange={() => choose('tint')}
                />{texts.pigmentForColour}</label
            >
        </fieldset>
        <Choice label={texts.base} bind:value={form.base} onchange={ask}>
            {#each bases as b (b.code)}<option value={b.code}>{b.name}</option>{/each}
        </Choice>
        {#if form.kind === 'softener' && (sheet?.softeners.length ?? 0) > 1}
            <Choice
                label={texts.softener}
                value={softening?.code ?? ''}
                onchange={(code) => {
                    form.softener = code;
                    ask();
                }}
            >
                {#each sheet?.softeners ?? [] as s (s.code)}<option value={s.code}>{s.name}</option>{/each}
            </Choice>
        {/if}
        {#if form.kind === 'tint'}
            <Choice
                label={texts.pigment}
                value={tinting?.code ?? ''}
                onchange={(code) => {
                    form.pigment = code;
                    ask();
                }}
            >
                {#each pigments as p (p.code)}<option value={p.code}>{p.name}</option>{/each}
            </Choice>
            <Measure
                label={texts.fullLoad}
                kind="percent"
                bind:value={form.load}
                error={trouble('recipe.additives.0.amount')}
                onchange={ask}
            />
        {/if}
        <TextLine
            label={form.kind === 'tint'
                ? texts.pucksAtInOfTheFull
                : texts.pucksAtInOfAB(figure(softening?.limit_pct ?? 0, 'percent', 'metric', 0))}
            fig
            inputmode="decimal"
            bind:value={() => steps, (words) => (form.steps = words)}
            oninput={ask}
            error={trouble('steps', 'pct_')}
        />
        <div class="two">
            <Measure label={texts.aPuckHolds} kind="volume" bind:value={form.puck} error={trouble('puck_ml')} onchange={ask} />
            <Measure label={texts.andIsThick} kind="length" bind:value={form.thickness} />
            <Measure label={texts.lostOnCups} kind="percent" bind:value={form.spare} error={trouble('spare_pct')} onchange={ask} />
            {#if sheet?.heated !== true}<Measure
                    label={texts.mixing}
                    kind="minutes"
                    bind:value={form.mixing}
                    error={trouble('mix_min')}
                    onchange={ask}
                />{/if}
        </div>
        <Wrong says={elsewhere} />
        {#if plan !== null}
            <div class:stale={!asking.fresh}><Warnings warnings={plan.warnings} /></div>
            <Working lines={plan.working} />
        {/if}
    </section>

    <section class="card-paper" aria-label={texts.whatToWeigh} aria-busy={!asking.fresh}>
        {#if plan !== null}
            <div class:stale={!asking.fresh}>
                <WeighUp {plan} fine={bench.fine} />
            </div>
            <p class="mt-3 flex flex-wrap items-center gap-3">
                <button class="btn btn-primary" disabled={!asking.fresh} onclick={begin}>{texts.beginWeighing}</button>
                {#if form.kind === 'tint' && (sheet?.undrawn ?? 0) > 1}<button class="btn" disabled={!asking.fresh} onclick={first}
                        >{texts.aLadderOfEachOfThe(sheet?.undrawn ?? '')}</button
                    >{/if}
                <span class="quiet text-sm">Gloves on, and the supplier’s sheet first.</span>
            </p>
            <Wrong says={why} />
        {:else}
            <p class="quiet">What to weigh stands here as soon as the series is clear.</p>
        {/if}
    </section>
</div>

<style>
    .screen {
        display: grid;
        grid-template-columns: minmax(18rem, 0.8fr) minmax(0, 1.4fr);
        gap: 1.5rem;
        margin-top: 0.6rem;
        align-items: start;
    }
    .two {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 0.6rem;
    }
    @media (max-width: 1000px) {
        .screen {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
