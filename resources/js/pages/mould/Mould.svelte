<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure } from '../../lib/units';
    import { Typing } from '../../lib/typing.svelte';
    import Craft from '../../parts/Craft.svelte';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import type { MouldAnswerView, PourSheetView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        job: { id: number; name: string; quantity: number; skin: boolean };
        families: Record<string, string>;
        surfaces: Record<string, string>;
        original: string;
        casting: string;
        studied: PourSheetView['studied'];
        hour_rate: number;
        /** How warm what is poured hot comes into the mould, °C. */
        heats: Record<string, number>;
    };
    const ROOM_C = 25;
    let { job, families, surfaces, original, casting, studied, hour_rate, heats }: Props = $props();

    type Entry = number | string | null;
    const typing = new Typing(
        untrack(() => `mould/${String(job.id)}`),
        {
            size_mm: untrack(() => ({
                l: (studied === null ? 150 : Math.round(studied.size_mm[0] * 10) / 10) as Entry,
                w: (studied === null ? 60 : Math.round(studied.size_mm[1] * 10) / 10) as Entry,
                h: (studied === null ? 40 : Math.round(studied.size_mm[2] * 10) / 10) as Entry,
            })),
            undercuts: 'slight',
            detail: 'fine',
            casts: untrack(() => job.quantity) as Entry,
            casting: { family: untrack(() => casting), heat_c: untrack(() => heats[casting] ?? ROOM_C) as Entry },
            original: { surface: untrack(() => original), may_be_lost: true },
            flat_back: false,
            hollow: false,
            skin: untrack(() => job.skin),
            budget: 'normal',
            hour_rate: untrack(() => hour_rate) as Entry,
        },
    );
    const piece = typing.value;
    let result = $state<MouldAnswerView | null>(null);
    let wrong = $state<{ field: string; message: string } | null>(null);
    let fresh = $state(false);
    let opened = $state<string | null>(null);
    let asked = 0;
    // What a study measured counts for more than what was estimated, as long as the size is the studied one.
    const mesh = untrack(() => ({
        undercut_depth_mm: studied?.undercut_depth_mm ?? null,
        stretch_pct: studied?.stretch_pct ?? null,
        volume_ml: studied?.volume_ml ?? null,
        area_mm2: studied?.area_mm2 ?? null,
    }));
    const bySize = $derived(
        studied !== null &&
            [piece.size_mm.l, piece.size_mm.w, piece.size_mm.h].every(
                (side, i) => typeof side === 'number' && Math.abs(side - (studied.size_mm[i] ?? 0)) < 1,
            ),
    );

    async function reckon(): Promise<void> {
        const mine = ++asked;
        fresh = false;
        const answer = await ask<MouldAnswerView>('POST', '/mould', {
            ...$state.snapshot(piece),
            ...(studied === null || !bySize ? {} : { mesh }),
        });
        if (mine !== asked) {
            return;
        }
        wrong = answer.ok ? null : answer.wrong;
        if (answer.ok) {
            result = answer.data;
            fresh = true;
        }
    }

    onMount(() => void reckon());
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const chemistries: Record<string, string> = { print: 'printed plastic' };
    const choices = {
        undercuts: { none: 'none', slight: 'a few', deep: 'deep' },
        detail: { plain: 'plain', fine: 'fine', hair: 'to the pore' },
        budget: { thrifty: 'thrifty', normal: 'as needed', ample: 'ample' },
    } as const;
    const flags = [
        ['flat_back', 'It has a flat back'],
        ['hollow', 'It is hollow'],
        ['skin', 'It is worn on skin'],
    ] as const;
</script>

<svelte:head><title>Which mould? {job.name} · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline gap-x-3">
    <h1 class="text-3xl">{texts.whichMould}</h1>
    <p class="quiet">for <a class="link" href="/jobs/{job.id}">{job.name}</a></p>
</div>

<div class="two">
    <form
        class="grid content-start gap-3"
        oninput={() => void reckon()}
        onsubmit={(event) => event.preventDefault()}
        aria-label={texts.thePiece}
    >
        <div class="three">
            <Measure
                label={texts.length}
                kind="length"
                bind:value={piece.size_mm.l}
                error={at('size_mm.l')}
                onchange={() => void reckon()}
            />
            <Measure
                label={texts.width}
                kind="length"
                bind:value={piece.size_mm.w}
                error={at('size_mm.w')}
                onchange={() => void reckon()}
            />
            <Measure
                label={texts.height}
                kind="length"
                bind:value={piece.size_mm.h}
                error={at('size_mm.h')}
                onchange={() => void reckon()}
            />
        </div>
        {#if bySize && studied !== null}<p class="quiet text-sm">
                As <a class="link" href="/study/{studied.model}">{studied.name}</a> was studied: its undercuts, volume and stretch are measured.
            </p>{/if}
        {#each Object.entries(choices) as [key, words] (key)}
            <fieldset>
                <legend class="quiet text-sm">{{ undercuts: 'Undercuts', detail: 'Detail', budget: 'Budget' }[key]}</legend>
                <div class="flex flex-wrap gap-1">
                    {#each Object.entries(words) as [id, word] (id)}
                        <label class="chip" class:on={piece[key as keyof typeof choices] === id}
                            ><input
                                type="radio"
                                class="sr-only"
                                name={key}
                                value={id}
                                bind:group={piece[key as keyof typeof choices]}
                            />{word}</label
                        >
                    {/each}
                </div>
            </fieldset>
        {/each}
        <div class="flex flex-wrap gap-x-5 gap-y-2">
            {#each flags as [key, words] (key)}
                <label class="flex items-center gap-2"><input type="checkbox" class="checkbox" bind:checked={piece[key]} />{words}</label>
            {/each}
            <label class="flex items-center gap-2"
                ><input type="checkbox" class="checkbox" bind:checked={piece.original.may_be_lost} />{texts.theOriginalMayBeLost}</label
            >
        </div>
        <Choice label={texts.theOriginalIsOf} bind:value={piece.original.surface}
            >{#each Object.entries(surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}</Choice
        >
        <Choice
            label={texts.whatIsCastInIt}
            bind:value={piece.casting.family}
            onchange={(family) => (piece.casting.heat_c = heats[family] ?? ROOM_C)}
            >{#each Object.entries(families) as [id, name] (id)}<option value={id}>{name}</option>{/each}</Choice
        >
        <div class="three">
            <Measure label={texts.castsWanted} kind="plain" bind:value={piece.casts} error={at('casts')} onchange={() => void reckon()} />
            <Measure
                label={texts.asHotAs}
                kind="temperature"
                bind:value={piece.casting.heat_c}
                error={at('casting.heat_c')}
                onchange={() => void reckon()}
            />
            <Measure
                label={texts.anHourCosts}
                kind="plain"
                bind:value={piece.hour_rate}
                error={at('hour_rate')}
                onchange={() => void reckon()}
            />
        </div>
        {#if wrong !== null && !/^(size_mm|casts|casting\.heat_c|hour_rate)/.test(wrong.field)}<p class="font-bold text-error" role="alert">
                {wrong.message}
            </p>{/if}
    </form>

    <section aria-label={texts.kindsBestFirst} aria-busy={!fresh} class:stale={!fresh}>
        {#if result !== null}
            <Warnings warnings={result.warnings} />
            {#each result.schools as school (school)}<p class="mb-2 border-l-4 border-base-300 pl-3">{school}</p>{/each}
            <ol>
                {#each result.ranked as mould, i (mould.kind)}
                    <li class="mould" class:first={i === 0}>
                        <div>
                            <h2 class="text-xl">{mould.name}</h2>
                            <p class="quiet text-sm">
                                {families[mould.chemistry] ?? chemistries[mould.chemistry] ?? mould.chemistry}{mould.hardness === null
                                    ? ''
                                    : `, A ${String(mould.hardness.low)}–${String(mould.hardness.high)}`} · {measure(
                                    mould.rubber_g,
                                    'mass',
                                    bench.units,
                                    0,
                                )} · {figure(mould.hours, 'plain', 'metric', 1)} h · about {bench.price(mould.cost, 0)}
                            </p>
                        </div>
                        <p class="place fig" aria-hidden="true">{i + 1}</p>
                        <ul class="why">
                            {#each opened === mould.kind || i < 2 ? mould.for : mould.for.slice(0, 1) as reason (reason)}<li>
                                    <b class="plus">+</b>
                                    <Craft text={reason} />
                                </li>{/each}
                            {#each opened === mould.kind || i < 2 ? mould.against : mould.against.slice(0, 1) as reason (reason)}<li>
                                    <b class="minus">−</b>
                                    <Craft text={reason} />
                                </li>{/each}
                            {#if opened === mould.kind}
                                {#if mould.hardness !== null}<li class="quiet">Hardness: {mould.hardness.why}.</li>{/if}
                                <li class="quiet">It takes: {mould.parts.join(', ')}.</li>
                                {#if mould.rubbers.length > 0 && typeof piece.casts === 'number' && piece.casts > 1}<li>
                                        <table class="rubbers">
                                            <caption class="quiet">{texts.ofWhichRubberByItsTear}</caption>
                                            <thead
                                                ><tr
                                                    ><th scope="col">{texts.rubber}</th><th scope="col">{texts.castsEach}</th><th
                                                        scope="col">{texts.moulds}</th
                                                    ></tr
                                                ></thead
                                            >
                                            <tbody
                                                >{#each mould.rubbers as rubber (rubber.code)}<tr
                                                        ><th scope="row">{rubber.name} <span class="fig">{rubber.shore}</span></th><td
                                                            class="fig">{Math.round(rubber.casts)}</td
                                                        ><td class="fig">{rubber.moulds}</td></tr
                                                    >{/each}</tbody
                                            >
                                        </table>
                                    </li>{/if}
                            {/if}
                        </ul>
                        {#if typeof piece.casts === 'number' && piece.casts > 1}<p class="decides">
                                For {piece.casts} casts: {mould.campaign.remake_after <= 1
                                    ? 'one for each'
                                    : `${mould.campaign.moulds === 1 ? 'one is' : `${String(mould.campaign.moulds)} are`} enough in ${figure(100 * mould.campaign.chance, 'percent', 'metric', 0)} of 100 cases, one more in ${figure(100 * mould.campaign.one_more, 'percent', 'metric', 0)}; make the next ready when one has seen ${String(mould.campaign.remake_after)}`}.
                            </p>{/if}
                        {#if mould.decides !== null}<p class="decides">It stands {mould.decides}</p>{/if}
                        {#if i > 0 && mould.first_if.length > 0}<p class="decides">
                                It would come first if {mould.first_if.join(', or if ')}.
                            </p>{/if}
                        <p class="flex flex-wrap gap-2">
                            <button
                                class="btn btn-sm btn-ghost"
                                aria-expanded={opened === mould.kind}
                                onclick={() => (opened = opened === mould.kind ? null : mould.kind)}
                                >{opened === mould.kind ? texts.less : texts.allOfIt}</button
                            >
                            <button
                                class="btn btn-sm"
                                onclick={() =>
                                    router.post(`/jobs/${String(job.id)}/mould`, { kind: mould.kind, chemistry: mould.chemistry })}
                                >{texts.putItInTheChain}</button
                            >
                        </p>
                    </li>
                {/each}
            </ol>
            <p class="quiet mt-3 text-sm">
                Counted with a margin of {measure(result.margin_mm, 'length', bench.units)} around the piece; weights, hours and money are rough.
                {result.paid.length === 0
                    ? 'Rubber at usual prices: write what your kits cost in Stores, and it is counted at yours.'
                    : `At your prices: ${result.paid.map((family) => families[family] ?? family).join(', ')}; the rest at usual ones.`}
            </p>
        {/if}
    </section>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: minmax(18rem, 0.75fr) minmax(0, 1.4fr);
        gap: 2.5rem;
        margin-top: 0.75rem;
    }
    .three {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 0.6rem;
    }
    .stale {
        opacity: 0.4;
    }
    .mould {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 3rem;
        gap: 0.25rem 1.25rem;
        border-top: 1.5px solid var(--color-base-300);
        padding: 0.8rem 0;
    }
    .mould.first {
        border-top: 0;
        background: var(--color-secondary);
        border-radius: var(--radius-box);
        padding: 1rem 1.2rem;
    }
    .place {
        font-size: 2rem;
        font-weight: 700;
        line-height: 1;
        text-align: right;
        color: var(--color-neutral);
    }
    .decides {
        grid-column: 1 / -1;
        color: var(--color-neutral);
    }
    .why {
        display: grid;
        gap: 0.1rem;
        grid-column: 1 / -1;
    }
    .plus {
        color: var(--color-success);
    }
    .minus {
        color: var(--color-error);
    }
    @media (max-width: 900px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
    .rubbers {
        width: 100%;
        margin-top: 0.3rem;
    }
    .rubbers caption {
        text-align: left;
    }
    .rubbers th,
    .rubbers td {
        text-align: left;
        font-weight: 400;
        padding: 0.2rem 0.6rem 0.2rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    .rubbers thead th {
        color: var(--color-neutral);
        border: 0;
    }
</style>
