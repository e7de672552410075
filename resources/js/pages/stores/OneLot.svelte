<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { Tell } from '../../lib/tell.svelte';
    import { measure, type Entry } from '../../lib/units';
    import { shortDate, when } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import CodeLabel from '../../parts/CodeLabel.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Pages from '../../parts/Pages.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { LotView } from '../../types/server';
    import LotLine from './LotLine.svelte';
    import { doubts } from './lots';
    import * as texts from './texts';

    let { shown: sent }: { shown: LotView } = $props();
    const told = untrack(() => new Tell<LotView>(sent, `/stores/lots/${String(sent.lot.id)}/facts`));
    $effect(() => {
        told.view = sent;
    });
    const view = $derived(told.view);
    const lot = $derived(view.lot);
    let part = $state('A');
    let grams = $state<Entry>(null);
    let why = $state('');
    let what = $state<'counted' | 'took'>('counted');

    let calling = $state(false);
    let bad = $state('');
    async function recall(): Promise<void> {
        if (await told.tell('recalled', { why: bad })) {
            router.visit(`/stores/lots/${String(lot.id)}/recall`);
        }
    }

    async function tell(): Promise<void> {
        const ok =
            what === 'counted'
                ? await told.tell('counted', { part, left_g: grams })
                : await told.tell('took', { part, grams, why: why === '' ? null : why });
        if (ok) {
            grams = null;
            why = '';
        }
    }

    function happened(fact: LotView['facts'][number]): string {
        const said = fact.payload as Record<string, unknown>;
        const text = (key: string): string => (typeof said[key] === 'string' ? said[key] : '');
        const g = (key: string): string => measure(said[key] as number, 'mass', bench.units);
        switch (fact.kind) {
            case 'opened':
                return `opened on ${text('on')}`;
            case 'counted':
                return `${view.part_names[text('part')] ?? text('part')} counted: ${g('left_g')} left`;
            case 'took':
                return `${g('grams')} of ${view.part_names[text('part')] ?? text('part')} taken ${text('why')}`;
            case 'doubted':
                return doubts[text('what')] ?? '';
            case 'ended':
                return `used up or thrown out ${text('why')}`;
            case 'recalled':
                return `marked bad: ${text('why')}`;
            case 'returned':
                return 'back in use';
            case 'priced':
                return `cost ${text('price')}`;
            case 'undone':
                return 'the last word taken back';
            default:
                return text('text');
        }
    }
</script>

<svelte:head><title>{lot.label}, {view.name} · Stores · Apalos</title></svelte:head>

<p class="quiet"><a class="link" href="/stores">{texts.stores}</a> · <a class="link" href="/stores/{lot.code}">{view.name}</a></p>
<h1 class="text-4xl">{lot.label}</h1>
<div class="cols">
    <div class="grid content-start gap-5">
        <LotLine {lot} colour={view.colour} parts={view.part_names} />
        <section aria-label={texts.whereItWent}>
            <h2 class="text-2xl">{texts.whereItWent}</h2>
            <ul class="rows">
                {#each view.went as row, i (i)}
                    <li>
                        <span class="fig text-sm">{shortDate(row.at_ms)}</span>
                        <span>
                            <a class="link inline-block leading-7 font-bold" href={row.href}>{row.job}, {row.link}</a>
                            {#each row.pieces as piece (piece.outcome + String(piece.mould_id))}<small class="quiet"
                                    >{piece.n}
                                    {piece.outcome}{#if piece.mould_id !== null}, from <a class="link" href="/rack/{piece.mould_id}"
                                            >{piece.mould}</a
                                        >{/if}</small
                                >{/each}
                        </span>
                        <span class="fig text-right"
                            >{#each Object.entries(row.parts) as [letter, grams] (letter)}<span class="block"
                                    >{view.lot.parts.length > 1 ? `${letter} ` : ''}{measure(grams, 'mass', bench.units)}</span
                                >{/each}</span
                        >
                    </li>
                {:else}<li class="quiet">Nothing was drawn from it yet.</li>{/each}
            </ul>
            <Pages pages={view.pages} href={(page) => `/stores/lots/${String(lot.id)}?page=${String(page)}`} only={['shown']} />
        </section>
    </div>
    <div class="grid content-start gap-5">
        <form
            class="card-paper grid gap-3"
            onsubmit={(event) => {
                event.preventDefault();
                void tell();
            }}
            aria-label={texts.countItOrTakeFromIt}
        >
            <Choice label={texts.what} bind:value={what}
                ><option value="counted">{texts.countWhatIsLeft}</option><option value="took">{texts.takenForSomethingElse}</option></Choice
            >
            {#if lot.parts.length > 1}<Choice label={texts.ofWord} bind:value={part}
                    >{#each lot.parts as one (one.part)}<option value={one.part}>{view.part_names[one.part] ?? one.part}</option
                        >{/each}</Choice
                >{/if}
            <Measure label={what === 'counted' ? texts.itWeighsWithoutTheTub : texts.soMuch} kind="mass" bind:value={grams} />
            {#if what === 'took'}<TextLine label={texts.whatFor} bind:value={why} />{/if}
            <Wrong says={told.trouble} />
            <button class="btn btn-primary" disabled={told.busy || grams === null}>{texts.writeItDown}</button>
        </form>
        <p class="flex flex-wrap gap-2">
            {#if lot.opened_on === null && !lot.ended}<button class="btn" onclick={() => void told.tell('opened', { on: view.today })}
                    >{texts.openedToday}</button
                >{/if}
            {#each Object.entries(doubts) as [id, word] (id)}{#if lot.trouble !== id && !lot.ended}<button
                        class="btn btn-ghost"
                        onclick={() => void told.tell('doubted', { what: id })}>{word.split(':')[0]}</button
                    >{/if}{/each}
            {#if lot.bad === null}<button class="btn btn-ghost" aria-expanded={calling} onclick={() => (calling = !calling)}
                    >{texts.itIsBad}</button
                >{:else}<a class="btn" href="/stores/lots/{lot.id}/recall">{texts.whatItWentInto}</a><button
                    class="btn btn-ghost"
                    onclick={() => void told.tell('returned')}>{texts.itIsGoodAfterAll}</button
                >{/if}
            <button class="btn btn-ghost" onclick={() => void told.tell(lot.ended ? 'returned' : 'ended', lot.ended ? {} : { why: null })}
                >{lot.ended ? texts.bringItBack : texts.usedUpOrThrownOut}</button
            >
        </p>
        {#if calling && lot.bad === null}
            <form
                class="card-paper grid gap-3"
                aria-label={texts.itIsBadHeading}
                onsubmit={(event) => {
                    event.preventDefault();
                    void recall();
                }}
            >
                <TextLine label={texts.whatIsWrongWithIt} first bind:value={bad} maxlength={500} />
                <p class="quiet text-sm">Nothing more is taken from it, and everything that was made of it is listed.</p>
                <button class="btn btn-primary" disabled={told.busy || bad.trim() === ''}>{texts.callItBack}</button>
            </form>
        {/if}
        <CodeLabel
            code={lot.label}
            name={view.name}
            lines={[`came ${lot.got_on}`, lot.best_before === null ? '' : `best before ${lot.best_before}`].filter((line) => line !== '')}
            href="/stores/lots/{lot.id}"
        />
        <section aria-label={texts.whatWasToldOfIt}>
            <h2 class="text-2xl">{texts.toldOfIt}</h2>
            {#if view.take_back !== null}<button
                    class="btn btn-ghost btn-sm"
                    disabled={told.busy}
                    onclick={() => void told.tell('undone', { of: view.take_back })}>{texts.takeBackTheLast}</button
                >{/if}
            <ul class="text-sm">
                {#each view.facts as fact (fact.id)}<li>
                        <span class="quiet">{when(fact.at_ms, bench.now)}</span>
                        {happened(fact)}{fact.by === null ? '' : `, ${fact.by}`}
                    </li>{:else}<li class="quiet">Nothing beside what runs drew.</li>{/each}
            </ul>
        </section>
    </div>
</div>

<style>
    .cols {
        display: grid;
        grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
        gap: 2.5rem;
        margin-top: 0.75rem;
    }
    .rows li {
        display: grid;
        grid-template-columns: 5.5rem minmax(0, 1fr) auto;
        gap: 0.3rem 1rem;
        padding: 0.4rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    small {
        display: block;
        font-size: 0.875rem;
    }
    @media (max-width: 900px) {
        .cols {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
