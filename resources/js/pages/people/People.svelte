<script lang="ts">
    /** Who works here, what they come in with, and the tablets that stand at the bench. */
    import { router } from '@inertiajs/svelte';
    import { ask, make, type Answer } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { typed } from '../../lib/units';
    import { when } from '../../lib/when';
    import type { DecisionsView, PeopleView } from '../../types/server';
    import Decided from './Decided.svelte';
    import OnePerson from './OnePerson.svelte';
    import * as texts from './texts';

    let {
        people: view,
        roles,
        decided,
    }: { people: PeopleView; roles: Record<string, { name: string; says: string }>; decided: DecisionsView } = $props();

    const here = $derived(view.people.filter((one) => one.left_ms === null));
    const gone = $derived(view.people.filter((one) => one.left_ms !== null));
    const trusted = $derived(view.tablets.some((one) => one.this));

    let name = $state('');
    let role = $state('apprentice');
    let pin = $state('');
    let passphrase = $state('');
    let tablet = $state('Tablet at the bench');
    let unused = $state<string | null>(null);
    let program = $state('');
    let purpose = $state('day');
    let told = $state<{ token: string; for: string } | null>(null);
    let wrong = $state('');

    async function said(answer: Promise<Answer<unknown>>): Promise<boolean> {
        const came = await answer;
        wrong = came.ok ? '' : came.wrong.message;
        if (came.ok) {
            router.reload();
        }
        return came.ok;
    }

    async function add(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (await said(make('/people', { name, role, pin, passphrase }))) {
            [name, pin, passphrase] = ['', '', ''];
        }
    }

    async function comesIn(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const came = await ask<{ token: string; for: string }>('POST', '/people/tokens', { name: program, for: purpose });
        if (await said(Promise.resolve(came))) {
            told = came.ok ? came.data : null;
            program = '';
        }
    }

    async function rest(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (await said(ask('PUT', '/tablets', { unused_min: typed(unused ?? '', 'minutes', 'metric') }))) {
            unused = null;
            void bench.refresh();
        }
    }

    async function trust(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        await said(ask('POST', '/tablets', { name: tablet }));
    }
</script>

<svelte:head><title>People · Apalos</title></svelte:head>

<h1 class="text-4xl">{texts.people}</h1>
<p class="max-w-prose">
    Whatever is told of a pour, a build or a mould carries who told it. Whoever leaves stays in the record; whoever wants to be forgotten
    leaves a mark without a name there.
</p>
<p class="wrong" role="alert">{wrong}</p>

<ul class="people">
    {#each here as one (one.id)}
        <OnePerson {one} {roles} me={view.me} {said} />
    {/each}
</ul>

<section class="mt-8 grid gap-8 md:grid-cols-2">
    <form onsubmit={(event) => void add(event)} class="grid content-start gap-3">
        <h2 class="text-2xl">{here.length === 0 ? texts.youComeFirst : texts.somebodyNew}</h2>
        {#if here.length === 0}<p>Whoever comes first answers for the shop. From a second person on, everybody says who they are.</p>{/if}
        <label class="label-text">{texts.nameWord} <input class="input w-full" maxlength="40" autocomplete="off" bind:value={name} /></label
        >
        {#if here.length > 0}
            <label class="label-text"
                >{texts.isHeading}
                <select class="select w-full" bind:value={role}>
                    {#each Object.entries(roles) as [id, is] (id)}<option value={id}>{is.name}</option>{/each}
                </select></label
            >
            <p>{roles[role]?.name}: {roles[role]?.says}.</p>
        {/if}
        <label class="label-text"
            >{texts.pinForTheBench4To}
            <input class="input w-full" inputmode="numeric" maxlength="8" autocomplete="off" bind:value={pin} /></label
        >
        <label class="label-text"
            >{texts.passphraseToComeInFromElsewhere}
            <input class="input w-full" type="password" autocomplete="new-password" bind:value={passphrase} /></label
        >
        <button class="btn btn-primary" disabled={name.trim() === ''}>{texts.writeDown}</button>
    </form>
    <div>
        <h2 class="text-2xl">{texts.tabletsAtTheBench}</h2>
        <p>A trusted tablet shows the names; whoever gives their PIN works there.</p>
        <form onsubmit={(event) => void rest(event)} class="mt-2 flex flex-wrap items-center gap-2">
            <label class="label-text"
                >{texts.itAsksAgainAfter}
                <input
                    class="input w-20"
                    inputmode="numeric"
                    maxlength="3"
                    value={unused ?? String(view.unused_min)}
                    oninput={(event) => (unused = event.currentTarget.value)}
                />
                {texts.minutesWithoutATouch}</label
            >
            {#if unused !== null}<button class="btn">{texts.setWord}</button>{/if}
        </form>
        <ul class="mt-3">
            {#each view.tablets as one (one.id)}
                <li class="flex flex-wrap items-center justify-between gap-2">
                    <span>{one.name}{one.this ? ', this one' : ''}, since {when(one.since_ms, view.now_ms)}</span>
                    <button class="btn btn-ghost" onclick={() => void said(ask('DELETE', `/tablets/${String(one.id)}`))}
                        >{texts.trustItNoMore}<span class="sr-only">: {one.name}</span></button
                    >
                </li>
            {:else}<li>None yet.</li>{/each}
        </ul>
        {#if !trusted}
            <form onsubmit={(event) => void trust(event)} class="mt-3 grid gap-3">
                <label class="label-text">{texts.thisOneIsCalled} <input class="input w-full" maxlength="60" bind:value={tablet} /></label>
                <button class="btn" disabled={tablet.trim() === ''}>{texts.trustThisTablet}</button>
            </form>
        {/if}
        <h2 class="mt-8 text-2xl">{texts.programs}</h2>
        <p>What asks for figures, or subscribes to the day, comes in with a token of its own. It is shown once.</p>
        <ul class="mt-3">
            {#each view.programs as one (one.id)}
                <li class="flex flex-wrap items-center justify-between gap-2">
                    <span
                        >{one.name}, {one.for === 'day' ? 'for the day' : 'for figures'}{one.used_ms === null
                            ? ''
                            : `, last ${when(one.used_ms, view.now_ms)}`}</span
                    >
                    <button class="btn btn-ghost" onclick={() => void said(ask('DELETE', `/people/tokens/${String(one.id)}`))}
                        >{texts.letItGo}<span class="sr-only">: {one.name}</span></button
                    >
                </li>
            {/each}
        </ul>
        {#if told !== null}
            <p class="mt-2 font-bold" role="status">
                {told.for === 'day' ? 'The calendar subscribes to' : 'It sends this as Authorization: Bearer'}
                <code class="token"
                    >{told.for === 'day' ? `${location.origin}/day.ics?key=${encodeURIComponent(told.token)}` : told.token}</code
                >
            </p>
        {/if}
        <form onsubmit={(event) => void comesIn(event)} class="mt-3 grid gap-3">
            <label class="label-text">{texts.itIsCalled} <input class="input w-full" maxlength="60" bind:value={program} /></label>
            <label class="label-text"
                >{texts.andComesFor}
                <select class="select w-full" bind:value={purpose}>
                    <option value="day">{texts.theDayAsACalendar}</option>
                    <option value="reckon">{texts.figuresOverTheInterface}</option>
                </select></label
            >
            <button class="btn" disabled={program.trim() === ''}>{texts.makeAToken}</button>
        </form>
    </div>
</section>

<Decided {decided} />

{#if gone.length > 0}
    <h2 class="mt-8 text-2xl">{texts.left}</h2>
    <ul class="people">
        {#each gone as one (one.id)}
            <OnePerson {one} {roles} me={view.me} {said} />
        {/each}
    </ul>
{/if}

<style>
    .people {
        display: grid;
        gap: 0.25rem;
        margin-top: 1rem;
    }
    .token {
        overflow-wrap: anywhere;
    }
    .wrong {
        min-height: 1.5em;
        color: var(--color-error);
        font-weight: 700;
    }
</style>
