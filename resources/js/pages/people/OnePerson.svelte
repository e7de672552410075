<script lang="ts">
    /** One of them: their mark, what they are, what they come in with, how much of the record is theirs. */
    import { ask, type Answer } from '../../lib/api';
    import type { PeopleView } from '../../types/server';
    import * as texts from './texts';

    type Person = PeopleView['people'][number];

    let {
        one,
        roles,
        me,
        said,
    }: {
        one: Person;
        roles: Record<string, { name: string; says: string }>;
        me: string | null;
        said: (answer: Promise<Answer<unknown>>) => Promise<boolean>;
    } = $props();

    let pin = $state('');
    let passphrase = $state('');
    let changing = $state(false);
    const called = $derived(one.forgotten ? `somebody (${one.id.slice(-4).toLowerCase()})` : one.name);
    const change = (what: Record<string, unknown>): Promise<boolean> => said(ask('PUT', `/people/${one.id}`, what));
    const act = (what: string): Promise<boolean> => said(ask('POST', `/people/${one.id}/${what}`, {}));

    async function keep(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (await change({ pin, passphrase })) {
            [pin, passphrase, changing] = ['', '', false];
        }
    }
</script>

<li class="one">
    <span class="mark" style:background={one.colour} aria-hidden="true">{called.slice(0, 1).toUpperCase()}</span>
    <div>
        <b>{called}</b>{one.id === me ? ', you' : ''}
        <p>
            {#if one.left_ms === null}
                {one.pin ? (one.locked ? 'PIN locked' : 'PIN') : 'no PIN'}, {one.passphrase ? 'passphrase' : 'no passphrase'},
            {/if}
            <span class="fig">{one.told}</span>
            {one.told === 1 ? 'fact' : 'facts'} told
        </p>
    </div>
    {#if one.left_ms === null}
        <label class="label-text"
            ><span class="sr-only">{texts.is(called)}</span>
            <select class="select" value={one.role} onchange={(event) => void change({ role: event.currentTarget.value })}>
                {#each Object.entries(roles) as [id, is] (id)}<option value={id}>{is.name}</option>{/each}
            </select></label
        >
        <button class="btn btn-ghost" aria-expanded={changing} onclick={() => (changing = !changing)}
            >{texts.newPinOrPassphrase}<span class="sr-only"> {texts.forWord(called)}</span></button
        >
        <button class="btn btn-ghost" onclick={() => void act('end')}
            >{texts.signOutEverywhere}<span class="sr-only">: {called}</span></button
        >
        <button class="btn btn-ghost" onclick={() => void act('leave')}>{texts.leaves}<span class="sr-only">: {called}</span></button>
    {:else if !one.forgotten}
        <button class="btn btn-ghost" onclick={() => void change({ here: true })}
            >{texts.isBack}<span class="sr-only">: {called}</span></button
        >
        <button class="btn btn-ghost" onclick={() => void act('forget')}
            >{texts.forgetTheName}<span class="sr-only"> {texts.ofWord(called)}</span></button
        >
    {/if}
    {#if changing}
        <form class="new" onsubmit={(event) => void keep(event)}>
            <label class="label-text"
                >{texts.newPin} <input class="input" inputmode="numeric" maxlength="8" autocomplete="off" bind:value={pin} /></label
            >
            <label class="label-text"
                >{texts.newPassphrase} <input class="input" type="password" autocomplete="new-password" bind:value={passphrase} /></label
            >
            <button class="btn btn-primary" disabled={pin === '' && passphrase === ''}>{texts.keep}</button>
        </form>
    {/if}
</li>

<style>
    .one {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.25rem 0.75rem;
        border-bottom: 1px solid var(--color-base-300);
        padding: 0.5rem 0;
    }
    .one > div {
        flex: 1 1 12rem;
    }
    .new {
        display: flex;
        flex-wrap: wrap;
        align-items: end;
        gap: 0.75rem;
        flex-basis: 100%;
    }
    .mark {
        display: inline-grid;
        place-items: center;
        width: 2.75rem;
        height: 2.75rem;
        border-radius: 62% 38% 55% 45% / 48% 56% 44% 52%;
        color: #fff;
        font-weight: 700;
        font-size: 1.25rem;
    }
</style>
