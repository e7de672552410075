<script lang="ts">
    import { onMount } from 'svelte';
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { put } from '../../lib/daydrag.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { paperAsked } from '../../lib/paper';
    import { span } from '../../lib/units';
    import { dayInWords, when } from '../../lib/when';
    import Faces from '../../parts/Faces.svelte';
    import OnPaper from '../../parts/OnPaper.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { DayView } from '../../types/server';
    import Gang from './Gang.svelte';
    import Lanes from './Lanes.svelte';
    import * as texts from './texts';

    let { day: sent }: { day: DayView } = $props();
    let day = $derived(sent);
    let trouble = $state<string | null>(null);
    let putBack = $state<{ id: string; name: string } | null>(null);

    async function look(): Promise<void> {
        const answer = await ask<DayView>('GET', '/day/state');
        if (answer.ok) {
            day = answer.data;
        }
    }
    async function move(id: string, at: number | null): Promise<void> {
        const { told, wrong } = await put<DayView>(id, at);
        trouble = wrong;
        if (told !== null) {
            const item = day.items.find((i) => i.id === id);
            putBack = at === null || item === undefined ? null : { id, name: item.name };
            day = told;
            void bench.refresh();
        }
    }
    onMount(() => {
        const again = setInterval(() => void look(), 30_000);
        const drop = screenKeys([{ press: 'p', does: 'Print the day', run: () => (location.href = `/paper/day.html?${paperAsked()}`) }]);
        return () => {
            clearInterval(again);
            drop();
        };
    });
    const calendar = $derived(typeof location === 'undefined' ? '/day.ics' : `${location.origin}/day.ics`);
</script>

<svelte:head><title>Day · Apalos</title></svelte:head>

<Faces here="/day" />
<h1 class="text-4xl">{dayInWords(day.now_ms)}</h1>

{#if day.because !== null}<p class="mt-2 max-w-prose font-bold text-error" role="alert">{day.because}</p>{/if}
{#each day.late as late (late)}<p class="mt-1 font-bold text-warning">Late: {late}</p>{/each}
{#if day.moved.length > 0}
    <section aria-label={texts.whatMoved} class="moved" role="status">
        <h2 class="text-xl">{texts.moved}</h2>
        <ul>
            {#each day.moved as one (one.id)}<li>
                    <b>{one.name}</b> ({one.title}): {when(one.from_ms, bench.now)} → <b>{when(one.to_ms, bench.now)}</b>
                </li>{/each}
        </ul>
    </section>
{/if}

<Lanes {day} onput={(id, at) => void move(id, at)} onwrong={(says) => (trouble = says)} />
<Wrong says={trouble} />
{#if putBack !== null}<p class="mt-2" role="status">
        “{putBack.name}” is put there.
        <button class="btn btn-sm" onclick={() => putBack !== null && void move(putBack.id, null)}>{texts.letItBePlannedAgain}</button>
    </p>{/if}

<div class="below">
    <section aria-labelledby="startable">
        <h2 id="startable" class="text-2xl">{texts.startedNowFinishedToday}</h2>
        <ul>
            {#each day.startable as one (one.title + one.href)}
                <li class="one">
                    <a class="link inline-block py-2" href={one.href}>{one.title}</a>
                    <span
                        >{#if one.last_ms > bench.now}start within <b class="fig">{span(one.last_ms - bench.now)}</b>, by
                            {when(one.last_ms, bench.now)}{:else}start this minute{/if}; started now, done at {when(
                            one.done_ms,
                            bench.now,
                        )}</span
                    >
                </li>
            {:else}<li class="quiet">Nothing that is planned would be finished before the day ends.</li>{/each}
        </ul>
    </section>
    <section aria-labelledby="must-wait">
        <h2 id="must-wait" class="text-2xl">{texts.goesIntoAnotherDay}</h2>
        <ul>
            {#each day.waits as one (one.title + one.href)}
                <li class="one">
                    <a class="link inline-block py-2" href={one.href}>{one.title}</a>
                    <span>started now, “{one.why.toLowerCase()}” is done {when(one.done_ms, bench.now)}</span>
                </li>
            {:else}<li class="quiet">Nothing.</li>{/each}
        </ul>
    </section>
</div>

<Gang />

<p class="mt-8 flex flex-wrap items-center gap-3">
    <OnPaper what="day" words={texts.theDayOnPaper} />
    <a class="btn" href="/day.ics" download>{texts.calendarFile}</a>
    <span class="quiet">To subscribe: <span class="fig break-all">{calendar}</span></span>
</p>

<style>
    .moved {
        border-left: 6px solid var(--color-warning);
        padding: 0.3rem 0 0.3rem 1rem;
        margin-top: 0.8rem;
    }
    .below {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 1.25rem 2.5rem;
        margin-top: 1.5rem;
    }
    .one {
        display: grid;
        padding: 0.3rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    @media (max-width: 800px) {
        .below {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
