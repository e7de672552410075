<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { Asking } from '../../lib/asking.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import { type Entry, figure, measure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Lines from '../../parts/Lines.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { HardnessAnswerView, HardnessView } from '../../types/server';
    import AsSoft from './AsSoft.svelte';
    import BatchPick, { asked } from './BatchPick.svelte';
    import Curve from './Curve.svelte';
    import Heading from './Heading.svelte';
    import Keep from './Keep.svelte';
    import SoftenerCost from './SoftenerCost.svelte';
    import * as texts from './texts';

    let { page, answer: first }: { page: HardnessView; answer: HardnessAnswerView } = $props();

    let base = $state(untrack(() => first.base));
    let softener = $state(untrack(() => first.softener));
    let target = $state<{ scale: string; reading: Entry }>(
        untrack(() => ({ scale: first.target.scale, reading: Math.round(first.target.reading) })),
    );
    let thinnest = $state<Entry>(null);
    let batch = $state(untrack(() => asked(page.drafts, first.base)));

    const drafts = $derived(page.drafts.filter((d) => d.base === base));
    const chosen = $derived(page.bases.find((b) => b.code === base));
    const softening = $derived(chosen?.softeners.find((s) => s.code === softener));
    const asking = untrack(
        () =>
            new Asking<HardnessAnswerView>(
                'POST',
                '/swatches/hardness',
                () => ({
                    base,
                    softener,
                    target: { scale: target.scale, reading: target.reading },
                    thinnest_mm: thinnest,
                    batch: $state.snapshot(batch),
                }),
                first,
            ),
    );
    const answer = $derived(asking.answer);
    const found = $derived(answer.harden.for_target);
    const trouble = (field: string): string | null => (asking.trouble?.field.startsWith(field) === true ? asking.trouble.message : null);
    const elsewhere = $derived(
        asking.trouble !== null && !['target', 'thinnest_mm'].some((f) => asking.trouble?.field.startsWith(f) === true)
            ? asking.trouble.message
            : null,
    );

    function setBase(code: string): void {
        base = code;
        softener = page.bases.find((b) => b.code === code)?.softeners[0]?.code ?? '';
        batch = { mass_g: 100 };
        asking.changed();
    }

    const recipe = (): { base: string; additives: Additive[] } => ({
        base,
        additives: [
            { code: softener, amount: Math.round((found?.pct_of_ab ?? 0) * 10) / 10, basis: 'pct_of_ab', into: softening?.into ?? 'after' },
        ],
    });
    const write = (pour: number): void =>
        router.post('/swatches/hardness/sheet', { base, softener, pct_of_ab: found?.pct_of_ab ?? 0, pour_id: pour });

    const nudge = (by: number): void => {
        const at = answer.stops.findIndex((s) => s.scale === target.scale && s.reading === Math.round(Number(target.reading)));
        const next = answer.stops[at + by];
        if (next !== undefined) {
            target = { scale: next.scale, reading: next.reading };
            asking.changed();
        }
    };
    onMount(() => {
        if ('pour_id' in batch) {
            asking.changed();
        }
        return screenKeys([
            { press: 'ArrowUp', does: 'One point harder', run: () => nudge(1) },
            { press: 'ArrowDown', does: 'One point softer', run: () => nudge(-1) },
        ]);
    });
</script>

<Heading title={texts.howSoft} />
{#if page.none_here}<p class="mt-2 max-w-prose">
        Nothing on your shelf is made softer by anything on it. This is what the library knows; <a class="link" href="/first?step=shelf"
            >{texts.tickWhatYouHave}</a
        > and it is about that.
    </p>{/if}

<div class="screen">
    <section aria-label={texts.softenerCurve}>
        <div class="choose">
            <Choice label={texts.base} value={base} onchange={(value) => setBase(value)}>
                {#each page.bases as b (b.code)}<option value={b.code}
                        >{b.name}{b.pucks > 0 ? `, ${String(b.pucks)} ${b.pucks === 1 ? texts.puck : texts.pucks}` : ''}</option
                    >{/each}
            </Choice>
            {#if (chosen?.softeners.length ?? 0) > 1}
                <Choice label={texts.softener} bind:value={softener} onchange={() => asking.changed()}>
                    {#each chosen?.softeners ?? [] as s (s.code)}<option value={s.code}>{s.name}</option>{/each}
                </Choice>
            {/if}
        </div>
        <Curve
            {answer}
            {target}
            fresh={asking.fresh}
            ontarget={(stop) => {
                target = { scale: stop.scale, reading: stop.reading };
                asking.changed();
            }}
        />
        {#if answer.cost !== null}
            <div class:stale={!asking.fresh}><SoftenerCost cost={answer.cost} {answer} /></div>
        {/if}
        <p class="quiet text-sm">
            {#if answer.pucks.length === 0}
                No pucks yet: this is the sheet and a usual softener, and the band is wide. <a
                    class="link"
                    href="/swatches/series?base={base}">{texts.makeASeries}</a
                > of four and read it, and the curve becomes yours.
            {:else}
                Rests on {answer.pucks.length}
                {answer.pucks.length === 1 ? 'puck' : 'pucks'} of this shop; the band holds four readings out of five.
                <a class="link" href="/swatches/drawer?base={base}">{texts.seeThem}</a> ·
                <a class="link" href="/swatches/series?base={base}">{texts.makeMore}</a>
            {/if}
        </p>
    </section>

    <section class="card-paper answer" aria-label={texts.softenerForIt} aria-busy={!asking.fresh}>
        <div class="wanted">
            <Choice label={texts.wantedOn} bind:value={target.scale} onchange={() => asking.changed()}>
                <option value="00">00</option><option value="A">A</option>
            </Choice>
            <Measure
                label={texts.reading}
                kind="plain"
                bind:value={target.reading}
                error={trouble('target')}
                onchange={() => asking.changed()}
            />
            <Measure
                label={texts.thinnestPlace}
                kind="length"
                bind:value={thinnest}
                error={trouble('thinnest_mm')}
                onchange={() => asking.changed()}
            />
        </div>
        <AsSoft
            onpick={(scale, reading) => {
                target = { scale, reading };
                asking.changed();
            }}
        />
        <Wrong says={elsewhere} />
        <div class:stale={!asking.fresh} aria-live="polite">
            {#if found !== null}
                <p class="pair">
                    <span><b class="fig figure" data-testid="pct">{figure(found.pct_of_ab, 'percent', 'metric', 1)}</b> % of A+B</span>
                    <span
                        ><b class="fig figure small" data-testid="one-part">{figure(found.pct_of_one_part, 'percent', 'metric', 1)}</b> % of one
                        part</span
                    >
                </p>
                <p class="quiet text-sm">
                    between {figure(found.low, 'percent', 'metric', 0)} and {found.high > 1.5 * answer.limit_pct
                        ? 'far past what the sheet allows'
                        : `${figure(found.high, 'percent', 'metric', 0)} %`}, four times out of five
                </p>
            {:else}
                <p class="font-bold">Softener only softens: {answer.target.written} needs a harder base.</p>
            {/if}
        </div>
        <Warnings warnings={[...answer.harden.warnings, ...(answer.cost?.warnings ?? []), ...(answer.mix?.warnings ?? [])]} />

        {#if found !== null}
            <BatchPick bind:batch {drafts} wrong={answer.mix_wrong} onchange={() => asking.changed()} />
            {#if answer.mix !== null}
                <div class:stale={!asking.fresh}>
                    <Lines lines={answer.mix.batches[0]?.lines ?? []}>
                        {#snippet foot()}
                            {(answer.mix?.batches.length ?? 1) > 1 ? `each of ${String(answer.mix?.batches.length)} cups` : 'in all'}
                            <span class="fig" data-testid="in-all"
                                >{measure(answer.mix?.batches[0]?.mass_g, 'mass', bench.units)}, {measure(
                                    answer.mix?.sg,
                                    'density',
                                    bench.units,
                                    3,
                                )}</span
                            >
                        {/snippet}
                    </Lines>
                </div>
            {/if}
            <Keep
                {recipe}
                note={() => `For ${answer.target.written}, by ${String(answer.harden.rests_on)} pucks.`}
                {batch}
                weighed={answer.mix !== null}
                ready={asking.fresh}
                onwrite={write}
            />
        {/if}
    </section>
</div>

<div class="words" class:stale={!asking.fresh}>
    <ul class="notes" aria-label={texts.whatIsWrittenAboutIt}>
        {#each answer.notes as note, i (i)}<li><a class="link font-bold" href={note.href}>{note.from}</a>: {note.text}</li>{/each}
    </ul>
    <p class="quiet text-sm">
        Tear and stretch are worked out from the sheets, not measured here. A piece that somebody relies on is tested as it is; for anything
        worn, its supplier’s sheet comes first.
    </p>
</div>

<style>
    .screen {
        display: grid;
        grid-template-columns: minmax(0, 1.75fr) minmax(21rem, 1fr);
        gap: 1.5rem;
        margin-top: 0.6rem;
        align-items: start;
    }
    .choose {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.6rem;
    }
    .choose {
        max-width: 34rem;
        margin-bottom: 0.5rem;
    }
    .answer {
        display: grid;
        gap: 0.7rem;
    }
    .wanted {
        display: grid;
        grid-template-columns: 5rem 1fr 1.2fr;
        gap: 0.6rem;
    }
    .pair {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 0.1rem 0.6rem;
    }
    .figure {
        font-size: 2.5rem;
        line-height: 1.05;
    }
    .figure.small {
        font-size: 1.7rem;
    }
    .words {
        margin-top: 1rem;
        display: grid;
        gap: 0.6rem;
    }
    .notes {
        columns: 22rem;
        column-gap: 2rem;
    }
    .notes li {
        break-inside: avoid;
        margin-bottom: 0.35rem;
    }
    @media (max-width: 1000px) {
        .screen {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
