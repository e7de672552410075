<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { refused } from '../../lib/refused';
    import { Tell } from '../../lib/tell.svelte';
    import { dayAndTime, when } from '../../lib/when';
    import CodeLabel from '../../parts/CodeLabel.svelte';
    import Dryness from '../../parts/Dryness.svelte';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { MouldPageView } from '../../types/server';
    import CastIn from './CastIn.svelte';
    import Life from './Life.svelte';
    import Look from './Look.svelte';
    import Retire from './Retire.svelte';
    import Told from './Told.svelte';
    import { acts, whys } from './words';
    import * as texts from './texts';

    let { mould: sent }: { mould: MouldPageView } = $props();
    const told = untrack(() => new Tell<MouldPageView>(sent, `/rack/${String(sent.id)}/facts`));
    $effect(() => {
        told.view = sent;
    });
    const mould = $derived(told.view);
    let place = $state(untrack(() => sent.place ?? ''));
    let note = $state('');
    let photo = $state<File | undefined>(undefined);

    async function put(): Promise<void> {
        if (place.trim() !== '' && place !== mould.place) {
            await told.tell('placed', { place });
        }
    }

    async function write(): Promise<void> {
        if (note.trim() !== '' && (await told.tell('noted', { text: note }))) {
            note = '';
        }
    }
</script>

<svelte:head><title>{mould.name} · Rack · Apalos</title></svelte:head>

<p class="quiet"><a class="link" href="/rack">{texts.rack}</a> · <span class="fig">{mould.code}</span></p>
<div class="flex flex-wrap items-baseline gap-x-4">
    <h1 class="text-4xl">{mould.name}</h1>
    {#if mould.job !== null}<p class="text-lg">
            <a class="link inline-flex min-h-11 items-center" href="/jobs/{mould.job_id}">{mould.job}</a>
        </p>{/if}
</div>
<p class="quiet">
    {mould.material ?? 'rubber not said'}{mould.casting === null ? '' : `, casts ${mould.casting}`} · on the rack since {dayAndTime(
        mould.made_ms,
    )}
    {#if mould.remade_of !== null}· re-made of <a class="link" href="/rack/{mould.remade_of.id}">M-{mould.remade_of.id}</a>{/if}
</p>

{#if mould.retired_ms !== null}
    <p class="mt-3 border-l-4 border-base-300 pl-3 text-lg">
        Retired {when(mould.retired_ms, bench.now)}: {whys[mould.retired_why ?? ''] ?? ''}. {mould.casts} casts were made in it.
        {#if mould.remade_as !== null}The next of it is <a class="link" href="/rack/{mould.remade_as.id}">M-{mould.remade_as.id}</a>.{/if}
        <button class="btn btn-sm" onclick={() => void told.tell('returned')}>{texts.bringItBack}</button>
    </p>
{:else if mould.life !== null}
    <Life {mould} />
{/if}

<Wrong says={told.trouble ?? refused('remake') ?? refused('photo')} />

<div class="cols">
    <div class="grid content-start gap-6">
        {#if mould.filled !== null}<p class="text-lg">
                It is filled just now: <a class="link" href="/pours/{mould.filled.pour}/run">{mould.filled.job}, {mould.filled.link}</a>.
            </p>{/if}
        {#if mould.retired_ms === null}
            <section aria-label={texts.beforeTheNextCast}>
                <h2 class="text-2xl">{texts.beforeTheNextCast}</h2>
                <ul class="grid gap-2">
                    {#each mould.wants as want (want.id)}
                        <li class="want">
                            <div><b>{want.text}</b> <span class="quiet">{want.why}</span></div>
                            {#if want.act !== null && want.act !== 'rested'}<button
                                    class="btn"
                                    disabled={told.busy}
                                    onclick={() => void told.tell('cared', { act: want.act })}>{texts.now(acts[want.act] ?? '')}</button
                                >{/if}
                        </li>
                    {:else}<li class="quiet">
                            {mould.casting === null ? 'Nobody knows yet what is cast in it.' : 'It wants nothing: it can be filled.'}
                        </li>{/each}
                </ul>
            </section>
            <section aria-label={texts.care}>
                <h2 class="text-2xl">{texts.care}</h2>
                <p class="flex flex-wrap gap-2">
                    {#each Object.entries(acts) as [id, word] (id)}
                        <button class="btn" disabled={told.busy} onclick={() => void told.tell('cared', { act: id })}
                            >{word}{#if mould.care[id] !== undefined}<small class="quiet"
                                    >{mould.care[id].casts_since === 0
                                        ? texts.sinceTheLastCast
                                        : texts.castsAgo(mould.care[id].casts_since)}</small
                                >{/if}</button
                        >
                    {/each}
                </p>
            </section>
            {#if mould.dry !== null}<section aria-label={texts.isItDry}>
                    <h2 class="text-2xl">{texts.isItDry}</h2>
                    <Dryness dry={mould.dry} onweigh={(mass_g) => void told.tell('weighed', { mass_g })} />
                </section>{/if}
            <Look {told} />
        {/if}
        <CastIn {mould} />
    </div>
    <div class="grid content-start gap-6">
        {#if mould.photo}<img
                class="photo"
                src="/rack/{mould.id}/photo?{mould.facts[0]?.id ?? 0}"
                alt={texts.asItWasPhotographedLast(mould.name)}
            />{/if}
        <section aria-label={texts.whatItIs}>
            <h2 class="text-2xl">{texts.whatItIs}</h2>
            <ul class="grid gap-1">
                {#each mould.parts as part, i (i)}
                    <li class="part">
                        <i style="background:{part.colour ?? 'transparent'}"></i>
                        <span
                            >{#if part.pour_id === null}{part.name}{:else}<a
                                    class="link inline-block leading-7"
                                    href="/pours/{part.pour_id}/run">{part.name}</a
                                >{/if}
                            <span class="quiet"
                                >{[part.role === 'whole' ? '' : part.role, part.material ?? '']
                                    .filter((word) => word !== '')
                                    .join(', ')}</span
                            ></span
                        >
                    </li>
                {/each}
            </ul>
            {#if mould.note !== null && mould.note !== ''}<p class="quiet">{mould.note}</p>{/if}
            {#if mould.from !== null}
                <p class="mt-2">
                    Taken from <b>{mould.from.name}</b>, which
                    {mould.from.gone_ms === null ? 'is still there.' : `is gone since ${dayAndTime(mould.from.gone_ms)}.`}
                    <button
                        class="btn btn-sm"
                        onclick={() =>
                            router.put(
                                `/impressions/${String(mould.from?.id)}/gone`,
                                { gone: mould.from?.gone_ms === null },
                                { preserveScroll: true },
                            )}>{mould.from.gone_ms === null ? texts.itIsGone : texts.itIsThere}</button
                    >
                </p>
            {/if}
            <p class="mt-2">
                {mould.worth === null
                    ? 'What it cost is not known: no price stands in the stores.'
                    : `It cost ${bench.price(Number(mould.worth))} to make.`}
                <a class="link inline-block leading-7" href="/rack/{mould.id}/cost">{texts.whatGoesIntoThat}</a>
            </p>
        </section>
        <form
            class="flex items-end gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void put();
            }}
        >
            <div class="grow"><TextLine label={texts.whereItLies} placeholder={texts.shelf2Left} maxlength={120} bind:value={place} /></div>
            <button class="btn" disabled={told.busy}>{texts.putItThere}</button>
        </form>
        <form
            class="flex items-end gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void write();
            }}
        >
            <div class="grow"><TextLine label={texts.note} maxlength={2000} bind:value={note} /></div>
            <button class="btn" disabled={told.busy}>{texts.writeItDown}</button>
        </form>
        <form
            class="grid gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                if (photo !== undefined) {
                    router.post(`/rack/${String(mould.id)}/photo`, { photo }, { preserveScroll: true });
                }
            }}
        >
            <PhotoPick label={texts.aPhotoOfIt} onpick={(picked) => (photo = picked)} />
            {#if photo !== undefined}<button class="btn justify-self-start">{texts.keepThePhoto}</button>{/if}
        </form>
        <CodeLabel
            code={mould.code}
            name={mould.name}
            lines={[mould.material ?? '', mould.casting === null ? '' : `for ${mould.casting}`].filter((line) => line !== '')}
            href="/rack/{mould.id}"
        />
        <Retire {told} />
        <Told {told} />
    </div>
</div>

<style>
    .cols {
        display: grid;
        grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
        gap: 2.5rem;
        margin-top: 1.25rem;
    }
    .want {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 1rem;
        align-items: center;
        border-left: 4px solid var(--color-warning);
        padding-left: 0.8rem;
    }
    small {
        display: block;
        font-size: 0.875rem;
    }
    .btn small {
        display: inline;
    }
    .part {
        display: grid;
        grid-template-columns: 1.2rem 1fr;
        gap: 0.6rem;
        align-items: center;
    }
    .part i {
        width: 1.1rem;
        height: 1.1rem;
        border-radius: 0.25rem;
        border: 1px solid color-mix(in oklab, currentColor 40%, transparent);
    }
    .photo {
        max-height: 18rem;
        border-radius: var(--radius-box);
        object-fit: contain;
    }
    @media (max-width: 900px) {
        .cols {
            grid-template-columns: minmax(0, 1fr);
        }
    }
    @media (max-width: 500px) {
        .want {
            grid-template-columns: 1fr;
        }
    }
</style>
