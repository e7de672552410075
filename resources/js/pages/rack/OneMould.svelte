<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { refused } from '../../lib/refused';
    import { Tell } from '../../lib/tell.svelte';
    import { figure } from '../../lib/units';
    import { dayAndTime, shortDate, when } from '../../lib/when';
    import CodeLabel from '../../parts/CodeLabel.svelte';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { MouldPageView } from '../../types/server';
    import Look from './Look.svelte';
    import Retire from './Retire.svelte';
    import { acts, conditions, marks, whys } from './words';

    let { mould: sent }: { mould: MouldPageView } = $props();
    const told = untrack(() => new Tell<MouldPageView>(sent, `/rack/${String(sent.id)}/facts`));
    $effect(() => {
        told.view = sent;
    });
    const mould = $derived(told.view);
    let place = $state(untrack(() => sent.place ?? ''));
    let note = $state('');
    let photo = $state<File | undefined>(undefined);

    const total = $derived(mould.life === null ? 1 : Math.max(1, mould.casts + mould.life.left.high));
    const share = (casts: number): string => `${String((100 * casts) / total)}%`;
    const pieces = $derived((mould.tally.good ?? 0) + (mould.tally.usable ?? 0) + (mould.tally.reject ?? 0));

    function happened(fact: MouldPageView['facts'][number]): string {
        const said = fact.payload as Record<string, unknown>;
        const text = (key: string): string => (typeof said[key] === 'string' ? said[key] : '');
        switch (fact.kind) {
            case 'cared':
                return [(acts[text('act')] ?? text('act')).toLowerCase(), text('note')].filter((t) => t !== '').join(': ');
            case 'looked':
                return [
                    `looked at: ${[conditions[text('condition')] ?? '', ...((said.marks as string[] | undefined) ?? []).map((m) => marks[m] ?? m)].join(', ')}`,
                    text('note'),
                ]
                    .filter((t) => t !== '')
                    .join('. ');
            case 'counted':
                return `${String(said.casts)} casts were made in it before they were written down`;
            case 'placed':
                return `put at ${text('place')}`;
            case 'named':
                return `called ${text('name')}`;
            case 'photographed':
                return 'photographed';
            case 'priced':
                return `cost ${text('cost')} to make`;
            case 'retired':
                return [`retired, ${whys[text('why')] ?? text('why')}`, text('note')].filter((t) => t !== '').join(': ');
            case 'returned':
                return 'back in use';
            case 'undone':
                return 'the last word taken back';
            default:
                return text('text');
        }
    }

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

<p class="quiet"><a class="link" href="/rack">Rack</a> · <span class="fig">{mould.code}</span></p>
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
        <button class="btn btn-sm" onclick={() => void told.tell('returned')}>Bring it back</button>
    </p>
{:else if mould.life !== null}
    <section class="life" aria-label="How many casts are left">
        <div class="scale" aria-hidden="true">
            <i class="used" style="width:{share(mould.casts)}"></i>
            <i class="sure" style="left:{share(mould.casts)};width:{share(mould.life.left.low)}"></i>
            <i
                class="band"
                style="left:{share(mould.casts + mould.life.left.low)};width:{share(mould.life.left.high - mould.life.left.low)}"
            ></i>
            <b style="left:{share(mould.casts + mould.life.left.likely)}"></b>
            {#if mould.ahead !== null && mould.ahead > 0}<u style="left:{share(Math.min(total, mould.casts + mould.ahead))}"></u>{/if}
        </div>
        <p class="text-xl">
            <span class="fig font-bold">{mould.casts}</span> casts made, likely
            <span class="fig font-bold">{mould.life.left.likely}</span> left
            <span class="quiet">({mould.life.left.low} to {mould.life.left.high}, four moulds in five)</span>
        </p>
        <p>{mould.life.advice} <span class="quiet">{mould.longer}</span></p>
        {#if mould.ahead !== null && mould.life.chance_of_ahead !== null && mould.ahead > 0}
            <p>
                {mould.ahead}
                {mould.ahead === 1 ? 'cast is' : 'casts are'} still to be made for the job; it lasts that long with a chance of
                <b class="fig">{figure(100 * mould.life.chance_of_ahead, 'percent', 'metric', 0)} %</b>.
            </p>
        {/if}
        <p class="quiet text-sm">
            Usual for this pairing: {mould.usual} casts. {mould.life.rests_on === 0
                ? 'No other mould of yours has told anything yet.'
                : `${String(mould.life.rests_on)} other moulds of yours are counted in.`}
        </p>
        <Warnings warnings={mould.life.warnings} />
    </section>
{/if}

<Wrong says={told.trouble ?? refused('remake') ?? refused('photo')} />

<div class="cols">
    <div class="grid content-start gap-6">
        {#if mould.filled !== null}<p class="text-lg">
                It is filled just now: <a class="link" href="/pours/{mould.filled.pour}/run">{mould.filled.job}, {mould.filled.link}</a>.
            </p>{/if}
        {#if mould.retired_ms === null}
            <section aria-label="Before the next cast">
                <h2 class="text-2xl">Before the next cast</h2>
                <ul class="grid gap-2">
                    {#each mould.wants as want (want.id)}
                        <li class="want">
                            <div><b>{want.text}</b> <span class="quiet">{want.why}</span></div>
                            {#if want.act !== null && want.act !== 'rested'}<button
                                    class="btn"
                                    disabled={told.busy}
                                    onclick={() => void told.tell('cared', { act: want.act })}>{acts[want.act]} now</button
                                >{/if}
                        </li>
                    {:else}<li class="quiet">
                            {mould.casting === null ? 'Nobody knows yet what is cast in it.' : 'It wants nothing: it can be filled.'}
                        </li>{/each}
                </ul>
            </section>
            <section aria-label="Care">
                <h2 class="text-2xl">Care</h2>
                <p class="flex flex-wrap gap-2">
                    {#each Object.entries(acts) as [id, word] (id)}
                        <button class="btn" disabled={told.busy} onclick={() => void told.tell('cared', { act: id })}
                            >{word}{#if mould.care[id] !== undefined}<small class="quiet"
                                    >{mould.care[id].casts_since === 0
                                        ? 'since the last cast'
                                        : `${String(mould.care[id].casts_since)} casts ago`}</small
                                >{/if}</button
                        >
                    {/each}
                </p>
            </section>
            <Look {told} />
        {/if}
        <section aria-label="What was cast in it">
            <h2 class="text-2xl">What was cast in it</h2>
            {#if pieces > 0}<p>
                    {pieces}
                    {pieces === 1 ? 'piece' : 'pieces'}: {mould.tally.good ?? 0} good, {mould.tally.usable ?? 0} usable, {mould.tally
                        .reject ?? 0} rejects.
                </p>{/if}
            <ul class="rows">
                {#each mould.castings as cast (cast.pour_id)}
                    <li>
                        <span class="fig text-sm">{shortDate(cast.at_ms)}</span>
                        <span
                            ><a class="link inline-block leading-7" href="/pours/{cast.pour_id}/run">{cast.job}, {cast.link}</a>
                            <small class="quiet"
                                >{cast.base}{cast.released === null
                                    ? ''
                                    : cast.released
                                      ? `, ${cast.release ?? 'released'}`
                                      : ', no release told'}</small
                            ></span
                        >
                        <span class="text-right"
                            ><b class={cast.grade}>{cast.grade}</b>{#if cast.good + cast.usable + cast.reject > 1}<small class="quiet"
                                    >{cast.good} good, {cast.usable} usable, {cast.reject} rejects</small
                                >{/if}{#if cast.faults.length > 0}<small class="quiet">{cast.faults.join(', ')}</small>{/if}</span
                        >
                    </li>
                {:else}<li class="quiet">Nothing yet.</li>{/each}
            </ul>
        </section>
    </div>
    <div class="grid content-start gap-6">
        {#if mould.photo}<img
                class="photo"
                src="/rack/{mould.id}/photo?{mould.facts[0]?.id ?? 0}"
                alt="{mould.name} as it was photographed last"
            />{/if}
        <section aria-label="What it is">
            <h2 class="text-2xl">What it is</h2>
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
                                >{part.role === 'whole' ? '' : part.role}{part.material === null ? '' : `, ${part.material}`}</span
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
                            )}>{mould.from.gone_ms === null ? 'It is gone' : 'It is there'}</button
                    >
                </p>
            {/if}
            <p class="mt-2">
                {mould.worth === null
                    ? 'What it cost is not known: no price stands in the stores.'
                    : `It cost ${bench.price(Number(mould.worth))} to make.`}
                <a class="link inline-block leading-7" href="/rack/{mould.id}/cost">What goes into that</a>
            </p>
        </section>
        <form
            class="flex items-end gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void put();
            }}
        >
            <div class="grow"><TextLine label="Where it lies" placeholder="shelf 2, left" maxlength={120} bind:value={place} /></div>
            <button class="btn" disabled={told.busy}>Put it there</button>
        </form>
        <form
            class="flex items-end gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void write();
            }}
        >
            <div class="grow"><TextLine label="Note" maxlength={2000} bind:value={note} /></div>
            <button class="btn" disabled={told.busy}>Write it down</button>
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
            <PhotoPick label="A photo of it" onpick={(picked) => (photo = picked)} />
            {#if photo !== undefined}<button class="btn justify-self-start">Keep the photo</button>{/if}
        </form>
        <CodeLabel
            code={mould.code}
            name={mould.name}
            lines={[mould.material ?? '', mould.casting === null ? '' : `for ${mould.casting}`].filter((line) => line !== '')}
            href="/rack/{mould.id}"
        />
        <Retire {told} />
        <section aria-label="What was told of it">
            <h2 class="text-2xl">Told of it</h2>
            {#if mould.take_back !== null}<button
                    class="btn btn-ghost btn-sm"
                    disabled={told.busy}
                    onclick={() => void told.tell('undone', { of: mould.take_back })}>Take back the last</button
                >{/if}
            <ul class="text-sm">
                {#each mould.facts as fact (fact.id)}<li>
                        <span class="quiet">{when(fact.at_ms, bench.now)}</span>
                        {happened(fact)}
                    </li>{:else}<li class="quiet">Nothing beside its casts.</li>{/each}
            </ul>
        </section>
    </div>
</div>

<style>
    .life {
        display: grid;
        gap: 0.3rem;
        margin-top: 0.9rem;
        max-width: 70rem;
    }
    .scale {
        position: relative;
        height: 2.2rem;
        border-radius: 0.6rem;
        background: var(--color-base-200);
        overflow: hidden;
    }
    .scale i,
    .scale b,
    .scale u {
        position: absolute;
        inset-block: 0;
    }
    .used {
        left: 0;
        background: repeating-linear-gradient(90deg, var(--color-neutral) 0 2px, transparent 2px 7px);
    }
    .sure {
        background: var(--color-success);
    }
    .band {
        background: repeating-linear-gradient(45deg, var(--color-success) 0 4px, transparent 4px 8px);
    }
    .scale b {
        width: 3px;
        margin-left: -1px;
        background: var(--color-base-content);
    }
    .scale u {
        width: 3px;
        background: var(--color-accent);
    }
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
    .good,
    .superb {
        color: var(--color-success);
    }
    .spoilt,
    .poor {
        color: var(--color-error);
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
