<script lang="ts">
    /** What there is to practise, what is sure and what comes next. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import { measure } from '../../lib/units';
    import { shortDate, when } from '../../lib/when';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { PracticeView } from '../../types/server';
    import OwnScenario, { type MishapKind } from './OwnScenario.svelte';
    import { came, stands } from './words';
    import * as texts from './texts';

    type Base = { code: string; name: string };
    let { practice, bases, mishaps, grounds }: { practice: PracticeView; bases: Base[]; mishaps: MishapKind[]; grounds: string[] } =
        $props();
    const next = $derived(practice.next.map((id) => practice.scenarios.find((one) => one.id === id)).filter((one) => one !== undefined));
    const rest = $derived(practice.scenarios.filter((one) => !practice.next.includes(one.id)));
    let writing = $state(false);

    const begin = (scenario: string): void => {
        router.post('/practice', { scenario });
    };

    onMount(() =>
        screenKeys([
            {
                press: 'Enter',
                does: 'Practise what comes first',
                run: () => (practice.going === null ? next[0] && begin(next[0].id) : router.visit(practice.going.place)),
            },
            { press: 'w', does: 'Write something to practise', run: () => (writing = true) },
        ]),
    );
</script>

<svelte:head><title>Practice · Apalos</title></svelte:head>

{#snippet card(one: PracticeView['scenarios'][number], first: boolean)}
    <li class="card" class:first>
        <h3>{one.name}</h3>
        <p class="quiet level" aria-label={texts.levelOf5(one.level)}>
            {#each [1, 2, 3, 4, 5] as step (step)}<i class:on={step <= one.level}></i>{/each}
            {one.build ? 'a build' : 'a pour'}{one.tried > 0
                ? ` · tried ${String(one.tried)}×, last ${came[one.last ?? 'nothing'] ?? ''}`
                : ''}
        </p>
        <p>{one.about}</p>
        <p class="quiet">For {one.teaches.join(', ')}.</p>
        <p class="mt-auto flex flex-wrap gap-2">
            <button class="btn" class:btn-primary={first} onclick={() => begin(one.id)}>{texts.practise}</button>
            {#if one.own !== null}<button class="btn btn-ghost" onclick={() => router.delete(`/practice/scenarios/${String(one.own)}`)}
                    >{texts.takeItAway}</button
                >{/if}
        </p>
    </li>
{/snippet}

<div class="flex flex-wrap items-center justify-between gap-2">
    <h1 class="text-3xl">{texts.practice}</h1>
    <button class="btn" onclick={() => (writing = true)}>{texts.writeYourOwn}</button>
</div>
<p class="mt-2 max-w-prose">
    A pour one cannot spoil: the real screens, a bench that is not there, a clock that runs as fast as you like. Nothing of it is in the
    log, the stores or the day.
</p>
<Wrong says={refused('practice')} />

{#if practice.going !== null}
    <p class="going">
        <span>“{practice.going.name}” goes on. Its clock stands while nobody looks.</span>
        <a class="btn btn-primary" href={practice.going.place}>{texts.goBackToIt}</a>
        <button class="btn btn-ghost" onclick={() => router.post(`/practice/tries/${String(practice.going?.id)}/end`)}>{texts.endIt}</button
        >
    </p>
{/if}

<section class="mt-6" aria-labelledby="next">
    <h2 id="next" class="text-xl">{texts.nextForYou}</h2>
    <ul class="cards">
        {#each next as one, i (one.id)}{@render card(one, i === 0 && practice.going === null)}{/each}
    </ul>
</section>

<section class="mt-8" aria-labelledby="path">
    <h2 id="path" class="text-xl">{texts.whereYouStand}</h2>
    <ul class="path">
        {#each practice.path as one (one.skill)}
            <li data-stands={one.stands}>
                <VerdictShape
                    kind={one.stands === 'sure' ? 'good' : one.stands === 'shaky' ? 'stop' : one.stands === 'comes' ? 'mind' : 'ask'}
                />
                <span class="name">{one.name}</span>
                <span class="quiet"
                    >{stands[one.stands] ?? ''}{one.due_ms !== null && one.stands !== 'new'
                        ? one.due_ms <= bench.now
                            ? ' · due'
                            : ` · again ${shortDate(one.due_ms)}`
                        : ''}</span
                >
            </li>
        {/each}
    </ul>
</section>

<section class="mt-8" aria-labelledby="all">
    <h2 id="all" class="text-xl">{texts.allThereIs}</h2>
    <ul class="cards">
        {#each rest as one (one.id)}{@render card(one, false)}{/each}
    </ul>
</section>

{#if practice.tries.length > 0}
    <section class="mt-8" aria-labelledby="tries">
        <h2 id="tries" class="text-xl">{texts.whatTheyCameTo}</h2>
        <ul class="mt-2 grid gap-1">
            {#each practice.tries as one (one.id)}
                <li>
                    <a class="link inline-block min-h-11 leading-[2.75rem]" href="/practice/tries/{one.id}">{one.name}</a>
                    <span class="quiet"
                        >{when(one.at_ms, bench.now)} · {came[one.would] ?? one.would}{one.grams > 0
                            ? ` · ${measure(one.grams, 'mass', bench.units, 0)} lost, ${bench.price(Number(one.money))}`
                            : ''}</span
                    >
                </li>
            {/each}
        </ul>
    </section>
{/if}

{#if practice.people !== null && practice.people.length > 0}
    <section class="mt-8" aria-labelledby="people">
        <h2 id="people" class="text-xl">{texts.howTheOthersComeOn}</h2>
        <ul class="mt-2 grid gap-2">
            {#each practice.people as one (one.name)}
                <li>
                    <i class="dot" style="background:{one.colour}"></i> <b>{one.name}</b>:
                    {#if one.tries === 0}<span class="quiet">has practised nothing yet</span>{:else}
                        {one.sure.length > 0 ? `sure of ${one.sure.join(', ')}` : 'sure of nothing yet'}{one.shaky.length > 0
                            ? `; wants practice in ${one.shaky.join(', ')}`
                            : ''}
                        <span class="quiet"
                            >· {one.tries}
                            {one.tries === 1 ? 'practice' : 'practices'}, last {one.last_ms === null
                                ? ''
                                : when(one.last_ms, bench.now)}</span
                        >
                    {/if}
                </li>
            {/each}
        </ul>
    </section>
{/if}

<OwnScenario bind:open={writing} {bases} {mishaps} {grounds} />

<style>
    .cards {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(min(18rem, 100%), 1fr));
        gap: 1rem;
        margin-top: 0.5rem;
    }
    .card {
        display: grid;
        grid-template-rows: auto auto auto auto 1fr;
        gap: 0.4rem;
        padding: 1rem;
        background: var(--color-secondary);
        border-radius: 0.6rem;
    }
    .card.first {
        outline: 2px solid var(--color-accent);
    }
    .card h3 {
        font-size: 1.125rem;
        font-weight: 700;
    }
    .level i {
        display: inline-block;
        width: 0.9rem;
        height: 0.45rem;
        margin-right: 0.15rem;
        border: 1.5px solid var(--color-neutral);
        border-radius: 0 0 0.4rem 0.4rem;
    }
    .level i.on {
        background: var(--color-neutral);
    }
    .going {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem 1rem;
        align-items: center;
        margin-top: 1rem;
        border-left: 4px solid var(--color-accent);
        padding-left: 0.75rem;
    }
    .path {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(min(20rem, 100%), 1fr));
        gap: 0.4rem 1.5rem;
        margin-top: 0.5rem;
    }
    .path li {
        display: flex;
        gap: 0.6rem;
        align-items: center;
    }
    .name {
        font-weight: 700;
    }
    .dot {
        display: inline-block;
        width: 0.8rem;
        height: 0.8rem;
        border-radius: 50%;
    }
</style>
