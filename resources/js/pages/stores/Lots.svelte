<script lang="ts">
    /** The kits of one sheet: what is left, what the next costs, and taking a new one in. */
    import SheetOfLabels from '../../parts/SheetOfLabels.svelte';
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { ask, make } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { measure, type Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { StoresView } from '../../types/server';
    import LotLine from './LotLine.svelte';
    import * as texts from './texts';

    let { code, colour, stores }: { code: string; colour: string | null; stores: StoresView } = $props();
    const letters = $derived(Object.keys(stores.part_names));
    let taking = $state(false);
    let trouble = $state<{ field: string; message: string } | null>(null);
    const at = (field: string): string | null => (trouble?.field === field ? trouble.message : null);

    type Kit = {
        got_on: string;
        opened_on: string;
        best_before: string;
        price: string;
        note: string;
        a_g: Entry;
        b_g: Entry;
        a_no: string;
        b_no: string;
        remelts?: Entry;
    };
    const typed = new Typing<Kit>(
        untrack(() => `lot/${code}`),
        {
            got_on: untrack(() => stores.today),
            opened_on: '',
            best_before: '',
            price: untrack(() => stores.kit.price ?? ''),
            note: '',
            a_g: null,
            b_g: null,
            a_no: '',
            b_no: '',
        },
    );
    const kit = typed.value;
    let price = $state(untrack(() => stores.kit.price ?? ''));
    let mass = $state<Entry>(untrack(() => stores.kit.mass_g));
    let reorder = $state<Entry>(untrack(() => stores.kit.reorder_g));
    let kept = $state(false);

    async function take(): Promise<void> {
        const answer = await make<{ id: number; label: string }>('/stores/lots', {
            code,
            got_on: kit.got_on,
            opened_on: kit.opened_on === '' ? null : kit.opened_on,
            best_before: kit.best_before === '' ? null : kit.best_before,
            price: kit.price === '' ? null : kit.price,
            note: kit.note === '' ? null : kit.note,
            ...(stores.melts ? { remelts: kit.remelts ?? null } : {}),
            // What is left open is not in this kit: the water of a plaster.
            parts: letters
                .filter((part) => (part === 'A' ? kit.a_g : kit.b_g) !== null)
                .map((part) => ({
                    part,
                    grams: part === 'A' ? kit.a_g : kit.b_g,
                    maker_number: (part === 'A' ? kit.a_no : kit.b_no) || null,
                })),
        });
        trouble = answer.ok ? null : answer.wrong;
        if (answer.ok) {
            typed.clear();
            taking = false;
            router.reload();
        }
    }

    async function say(what: Record<string, unknown>): Promise<void> {
        const answer = await ask<StoresView['kit']>('PUT', `/stores/${code}/kit`, what);
        trouble = answer.ok ? null : answer.wrong;
        kept = answer.ok;
        if (answer.ok) {
            [price, mass, reorder] = [answer.data.price ?? '', answer.data.mass_g, answer.data.reorder_g];
            router.reload();
        }
    }
    const keep = (): Promise<void> => say({ price: price === '' ? null : price, mass_g: mass, reorder_g: reorder });
</script>

<section class="mt-6" aria-label={texts.onHand}>
    <div class="flex flex-wrap items-baseline justify-between gap-2">
        <h3 class="text-2xl">
            {texts.onHand}{#if stores.on_hand[code] !== undefined}: <span class="fig"
                    >{measure(stores.on_hand[code], 'mass', bench.units, 0)}</span
                >{/if}
        </h3>
        <button class="btn" aria-expanded={taking} onclick={() => (taking = !taking)}>{texts.takeAKitIn}</button>
    </div>
    {#if taking || typed.again}
        <form
            class="card-paper mt-2 grid gap-3"
            onsubmit={(event) => {
                event.preventDefault();
                void take();
            }}
            aria-label={texts.aKitThatHasCome}
        >
            <div class="fields">
                {#if stores.melts}<Measure
                        label={texts.meltedSoOften}
                        kind="plain"
                        bind:value={kit.remelts}
                        error={at('remelts')}
                        hint={texts.onceWhereNobodyCounted}
                    />{/if}
                {#each letters as part, i (part)}
                    {#if part === 'A'}
                        <Measure
                            label={letters.length > 1 ? texts.howMuch2(stores.part_names[part] ?? part) : texts.howMuchIsInIt}
                            kind="mass"
                            bind:value={kit.a_g}
                            error={at(`parts.${String(i)}.grams`)}
                        />
                        <TextLine
                            label={letters.length > 1 ? texts.itsNumber(stores.part_names[part] ?? part) : texts.itsNumberHeading}
                            bind:value={kit.a_no}
                        />
                    {:else}
                        <Measure
                            label={texts.howMuch2(stores.part_names[part] ?? part)}
                            kind="mass"
                            bind:value={kit.b_g}
                            error={at(`parts.${String(i)}.grams`)}
                        />
                        <TextLine label={texts.itsNumber(stores.part_names[part] ?? part)} bind:value={kit.b_no} />
                    {/if}
                {/each}
                <TextLine label={texts.cameOn} type="date" bind:value={kit.got_on} error={at('got_on')} />
                <TextLine label={texts.openedOnIfItIs} type="date" bind:value={kit.opened_on} error={at('opened_on')} />
                <TextLine label={texts.bestBefore} type="date" bind:value={kit.best_before} error={at('best_before')} />
                <TextLine
                    label={texts.priceOfTheKit(bench.frame?.workshop.currency ? `, ${bench.frame.workshop.currency}` : '')}
                    fig
                    inputmode="decimal"
                    bind:value={kit.price}
                    error={at('price')}
                />
            </div>
            <TextLine label={texts.note} bind:value={kit.note} />
            {#if trouble !== null && !/grams|_on|before|price/.test(trouble.field)}<Wrong says={trouble.message} />{/if}
            <p class="flex gap-2">
                <button class="btn btn-primary">{texts.putItOnTheShelf}</button>
                <button
                    type="button"
                    class="btn btn-ghost"
                    onclick={() => {
                        typed.clear();
                        taking = false;
                    }}>{texts.leaveIt}</button
                >
            </p>
        </form>
    {/if}
    {#if stores.lots.length > 0}<div>
            <SheetOfLabels of="lots={stores.lots.map((lot) => lot.id).join(',')}" words={texts.labelsOfTheseKits} />
        </div>{/if}
    {#each stores.lots as lot (lot.id)}<LotLine {lot} {colour} parts={stores.part_names} />{:else}
        <p class="quiet">
            No kit is written down. Take one in: then every run draws from it, and how much is left, its dates and its pours are known.
        </p>
    {/each}
    <details class="mt-3">
        <summary class="link min-h-11 py-2">{texts.whatAKitCostsAndWhen}</summary>
        <form
            class="fields mt-2"
            onsubmit={(event) => {
                event.preventDefault();
                void keep();
            }}
        >
            <TextLine label={texts.priceOfAKit} fig inputmode="decimal" bind:value={price} error={taking ? null : at('price')} />
            <Measure label={texts.forAKitOf} kind="mass" bind:value={mass} error={at('mass_g')} />
            <Measure label={texts.orderTheNextUnder} kind="mass" bind:value={reorder} error={at('reorder_g')} />
            <p class="self-end">
                <button class="btn">{texts.keep}</button>
                {#if stores.kit.take_back !== null}<button
                        type="button"
                        class="btn btn-ghost"
                        onclick={() => void say({ of: stores.kit.take_back })}>{texts.takeBackTheLast}</button
                    >{/if}
                {#if kept}<span role="status">kept</span>{/if}
            </p>
        </form>
        <Wrong says={at('of')} />
    </details>
</section>

<style>
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 0.75rem;
    }
</style>
