<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import { type Entry, figure, measure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { ColourAnswerView, ColourView } from '../../types/server';
    import BatchPick, { asked } from './BatchPick.svelte';
    import Heading from './Heading.svelte';
    import Keep from './Keep.svelte';
    import Looks from './Looks.svelte';
    import Pinches from './Pinches.svelte';
    import ColourTarget, { type Wanted } from './ColourTarget.svelte';
    import * as texts from './texts';

    let { page }: { page: ColourView } = $props();

    // Kept until somebody begins anew: a reload and another screen find the colour that is looked for.
    const typing = new Typing(
        untrack(() => `colour/${page.base}`),
        {
            wanted: null as Wanted,
            thickness: 4 as Entry,
            backing: 'light',
            most: 3,
            barred: [] as string[],
            hand: null as Record<string, Entry> | null,
            shows: null as Entry,
            showsAt: null as Entry,
            depthWeighs: 2,
        },
    );
    const form = typing.value;
    let batch = $state(untrack(() => asked(page.drafts, page.base)));
    const drafts = $derived(page.drafts.filter((d) => d.base === page.base));
    const known = $derived(page.pigments.filter((p) => p.drawdowns > 0));
    const unknown = $derived(page.pigments.filter((p) => p.drawdowns === 0));

    const asking = untrack(
        () =>
            new Asking<ColourAnswerView | null>(
                'POST',
                '/swatches/colour',
                () => ({
                    base: page.base,
                    target: form.wanted === null ? null : $state.snapshot(form.wanted),
                    ...(form.hand === null
                        ? { pigments: known.map((p) => p.code).filter((code) => !form.barred.includes(code)) }
                        : { loads: Object.fromEntries(Object.entries(form.hand).map(([code, pct]) => [code, pct ?? 0])) }),
                    thickness_mm: form.thickness,
                    backing: form.backing,
                    ...(form.shows === null || form.wanted === null
                        ? {}
                        : { depth: { shows_pct: form.shows, at_mm: form.showsAt ?? form.thickness, weight: form.depthWeighs } }),
                    max_pigments: form.most,
                    batch: $state.snapshot(batch),
                }),
                null,
            ),
    );
    const answer = $derived(asking.answer);
    const trouble = (field: string): string | null => (asking.trouble?.field.startsWith(field) === true ? asking.trouble.message : null);
    const placed = ['target', 'thickness_mm', 'loads', 'depth'];
    const elsewhere = $derived(asking.trouble !== null && !placed.some((f) => trouble(f) !== null) ? asking.trouble.message : null);

    function byHand(code: string, pct: Entry): void {
        form.hand = {
            ...(form.hand ?? Object.fromEntries((answer?.recipe ?? []).map((p) => [p.code, Math.round(p.pct * 1000) / 1000]))),
            [code]: pct,
        };
        asking.changed();
    }
    function find(): void {
        form.hand = null;
        asking.changed();
    }
    function take(recipe: ColourAnswerView['recipe']): void {
        form.hand = Object.fromEntries(recipe.map((p) => [p.code, Math.round(p.pct * 1000) / 1000]));
        asking.changed();
    }
    const load = (code: string): Entry =>
        form.hand === null
            ? ((v) => (v === undefined ? null : Math.round(v * 1000) / 1000))(answer?.recipe.find((p) => p.code === code)?.pct)
            : (form.hand[code] ?? null);

    let softener = $state('');
    let softPct = $state<Entry>(null);
    const pinches = (): [string, number][] => (answer?.recipe ?? []).map((p) => [p.code, Math.round(p.pct * 10_000) / 10_000]);
    const recipe = (): { base: string; additives: Additive[] } => {
        const soft = page.softeners.find((s) => s.code === softener);
        return {
            base: page.base,
            additives: [
                ...pinches().map(([code, amount]) => ({ code, amount, basis: 'pct_of_total', into: page.pigment_into })),
                ...(soft === undefined ? [] : [{ code: soft.code, amount: softPct, basis: 'pct_of_ab', into: soft.into }]),
            ],
        };
    };
    const note = (): string =>
        answer?.target === null || answer?.target === undefined
            ? ''
            : `For L ${answer.target.lab.map((v) => v.toFixed(1)).join(' ')}, difference ΔE ${(answer.tint.delta_e ?? 0).toFixed(1)} at ${measure(Number(form.thickness), 'length', bench.units)}.`;
    const write = (pour: number): void =>
        router.post('/swatches/colour/sheet', { base: page.base, loads: Object.fromEntries(pinches()), pour_id: pour });
    // What another screen typed comes a moment later, and is asked then.
    $effect(() => {
        if (typing.again) {
            untrack(() => asking.changed());
        }
    });
    onMount(() => {
        asking.changed();
        return screenKeys([
            { press: 'f', does: 'Find the recipe', run: find },
            {
                press: 'b',
                does: 'Over light or dark',
                run: () => {
                    form.backing = form.backing === 'light' ? 'dark' : 'light';
                    asking.changed();
                },
            },
        ]);
    });
    const pct = (value: number): string => figure(value, 'percent', 'metric', value < 0.1 ? 3 : 2);
</script>

<Heading title={texts.whichColour} />

<div class="screen">
    <section aria-labelledby="wanted" class="grid gap-3">
        <Choice label={texts.inWord} value={page.base} onchange={(value) => router.visit(`/swatches/colour?base=${value}`)}>
            {#each page.bases as b (b.code)}<option value={b.code}>{b.name}</option>{/each}
        </Choice>
        <div class="two">
            <Measure
                label={texts.seenAt}
                kind="length"
                bind:value={form.thickness}
                error={trouble('thickness_mm')}
                onchange={() => asking.changed()}
            />
            <Choice label={texts.over} bind:value={form.backing} onchange={() => asking.changed()}>
                <option value="light">{texts.light}</option><option value="dark">{texts.dark}</option>
            </Choice>
        </div>
        <h2 id="wanted" class="text-xl">{texts.wanted}</h2>
        <ColourTarget
            bind:wanted={form.wanted}
            shown={answer?.target ?? null}
            error={trouble('target')}
            targets={page.targets}
            depth={{ shows_pct: form.shows, at_mm: form.showsAt ?? form.thickness }}
            ondepth={(depth) => {
                form.shows = depth.shows_pct;
                form.showsAt = depth.at_mm;
            }}
            onchange={find}
        />
        {#if form.wanted !== null}
            <div class="two">
                <Measure
                    label={texts.darkShowsThrough}
                    kind="percent"
                    bind:value={form.shows}
                    error={trouble('depth.shows_pct')}
                    onchange={find}
                    hint={texts.n0HidesIt100IsClear}
                />
                <Measure
                    label={texts.at}
                    kind="length"
                    value={form.showsAt ?? form.thickness}
                    error={trouble('depth.at_mm')}
                    onchange={(mm) => {
                        form.showsAt = mm;
                        find();
                    }}
                />
            </div>
            {#if form.shows !== null}<Choice label={texts.whatMattersMore} bind:value={form.depthWeighs} onchange={find}>
                    <option value={0.5}>{texts.theColour}</option><option value={2}>{texts.both}</option><option value={8}
                        >{texts.theDepth}</option
                    >
                </Choice>{/if}
        {/if}
    </section>

    <section aria-label={texts.howItLooks} class:stale={!asking.fresh}>
        {#if elsewhere !== null}
            <p class="font-bold text-error" role="alert">{elsewhere}</p>
            <p class="mt-2"><a class="btn" href="/swatches/series?kind=tint&base={page.base}">{texts.makeASeriesToRead}</a></p>
        {:else if answer !== null}
            <Looks {answer} />
        {/if}
    </section>

    <section class="card-paper recipe" aria-label={texts.recipe} aria-busy={!asking.fresh}>
        <div class="head">
            {#if answer?.tint.delta_e !== null && answer?.tint.delta_e !== undefined}
                <p class:stale={!asking.fresh} aria-live="polite">
                    <b class="fig figure" data-testid="delta-e">{figure(answer.tint.delta_e, 'plain', 'metric', 1)}</b>
                    colour difference, ΔE
                    <span class="quiet block"
                        >{answer.tint.delta_e < 1
                            ? 'nobody sees it'
                            : answer.tint.delta_e < 2
                              ? 'a trained eye sees it'
                              : answer.tint.delta_e < 4
                                ? 'side by side one sees it'
                                : 'another colour'}</span
                    >
                    {#if answer.tint.shows_pct !== null}<span class="block"
                            ><b class="fig">{figure(answer.tint.shows_pct, 'percent', 'metric', 0)}</b> % of a dark card shows through</span
                        >{/if}
                </p>
            {:else}
                <p class="quiet">Say which colour is wanted, or set loads by hand and see what they make.</p>
            {/if}
            <Choice label={texts.pigmentsAtMost} bind:value={form.most} onchange={find}>
                {#each [1, 2, 3, 4] as n (n)}<option value={n}>{n}</option>{/each}
            </Choice>
        </div>
        <BatchPick bind:batch {drafts} wrong={answer?.batch_wrong ?? null} onchange={() => asking.changed()} />
        <Pinches
            pigments={known}
            recipe={answer?.recipe ?? []}
            {load}
            barred={form.barred}
            fresh={asking.fresh}
            {trouble}
            onload={byHand}
            onbar={(codes) => {
                form.barred = codes;
                find();
            }}
        />
        {#if answer?.cup && 'pour_id' in batch}
            <p class="quiet text-sm" class:stale={!asking.fresh}>
                {answer.cup.cups > 1 ? `In each of ${String(answer.cup.cups)} cups` : 'In one cup'} of
                <span class="fig">{measure(answer.cup.mass_g, 'mass', bench.units, 0)}</span>.
            </p>
        {/if}
        {#if form.hand !== null}<button class="btn btn-sm justify-self-start" disabled={form.wanted === null} onclick={find}
                >{texts.findItAgain}</button
            >{/if}
        {#if unknown.length > 0}
            <p class="quiet text-sm">
                Never characterised: {unknown.map((p) => p.name).join(', ')}.
                <a class="link" href="/swatches/series?kind=tint&base={page.base}&pigment={unknown[0]?.code}">{texts.makeDrawdowns}</a>
            </p>
        {/if}
        {#if answer !== null}
            <div class:stale={!asking.fresh}><Warnings warnings={answer.tint.warnings} /></div>
            {#each answer.alternatives as other, i (i)}
                <div class="other">
                    <span class="seen" style="background:{other.srgb}"></span>
                    <p class="text-sm">
                        {#each other.recipe as p, j (p.code)}{j > 0 ? ', ' : ''}{p.name.replace(/ pigment$/, '')}
                            <span class="fig">{pct(p.pct)}</span>{/each}: difference ΔE
                        <b class="fig">{figure(other.delta_e, 'plain', 'metric', 1)}</b>
                    </p>
                    <button class="btn btn-xs" onclick={() => take(other.recipe)}>{texts.takeIt}</button>
                </div>
            {/each}
            {#if answer.recipe.length > 0}
                <div class="keep">
                    <Keep {recipe} {note} {batch} weighed={answer.cup !== null} ready={asking.fresh} onwrite={write}>
                        {#if page.softeners.length > 0}
                            <div class="two">
                                <Choice label={texts.withWord} bind:value={softener}
                                    ><option value="">{texts.noSoftener}</option>{#each page.softeners as s (s.code)}<option value={s.code}
                                            >{s.name}</option
                                        >{/each}</Choice
                                >
                                {#if softener !== ''}<Measure label={texts.ofAB} kind="percent" bind:value={softPct} />{/if}
                            </div>
                        {/if}
                    </Keep>
                </div>
            {/if}
        {/if}
    </section>
</div>

<style>
    .screen {
        display: grid;
        grid-template-columns: minmax(17rem, 0.85fr) minmax(0, 1.15fr) minmax(20rem, 1fr);
        gap: 1.5rem;
        margin-top: 0.6rem;
        align-items: start;
    }
    .two {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 0.6rem;
    }
    .recipe {
        display: grid;
        gap: 0.7rem;
    }
    .head {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 8.2rem;
        gap: 0.6rem;
        align-items: end;
    }
    .figure {
        font-size: 2.4rem;
        line-height: 1;
    }
    .other {
        display: grid;
        grid-template-columns: auto 1fr auto;
        gap: 0.6rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        padding-top: 0.5rem;
    }
    .seen {
        width: 2rem;
        height: 2rem;
        border-radius: 0.7rem;
    }
    .keep {
        display: grid;
        gap: 0.5rem;
        border-top: 1px solid var(--color-base-300);
        padding-top: 0.6rem;
    }
    @media (max-width: 1150px) {
        .screen {
            grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        }
        .recipe {
            grid-column: 1 / -1;
        }
    }
    @media (max-width: 720px) {
        .screen {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
