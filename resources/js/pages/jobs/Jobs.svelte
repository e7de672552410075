<script lang="ts">
    import Exchange from '../../parts/Exchange.svelte';
    import { calendarDay } from '../../lib/when';
    import { page, router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import type { Words } from '../../lib/contacts';
    import { screenKeys } from '../../lib/keys.svelte';
    import { Narrowing } from '../../lib/narrowing';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import Pages from '../../parts/Pages.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { JobsView } from '../../types/server';
    import NewJob, { type Material } from './NewJob.svelte';
    import * as texts from './texts';

    let {
        list: shown,
        materials,
        words,
        uses,
    }: { list: JobsView; materials: Material[]; words: Words; uses: Record<string, string> } = $props();

    const filter = $state(untrack(() => ({ q: shown.q, ...(shown.away ? { away: '1' } : {}) })));
    const list = new Narrowing('/jobs', filter, ['list']);

    let making = $state(false);

    onMount(() => {
        making = page.url.includes('new=1');
        return screenKeys([
            { press: 'n', does: 'New job', run: () => (making = true) },
            {
                press: 'Escape',
                does: 'Close the new job',
                run: () => {
                    making = false;
                },
            },
        ]);
    });
</script>

<svelte:head><title>Jobs · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline justify-between gap-3">
    <h1 class="text-3xl">{shown.away ? texts.jobsThatArePutAway : texts.jobs}</h1>
    {#if shown.away}<a class="btn" href="/jobs">{texts.backToTheJobs}</a>{:else if !making}<button
            class="btn btn-primary"
            onclick={() => (making = true)}>{texts.newJob} <kbd class="kbd kbd-sm text-base-content">n</kbd></button
        >{/if}
</div>

{#if making}<NewJob {materials} {words} {uses} onclose={() => (making = false)} />{/if}

{#if shown.pages.pages > 1 || shown.q !== '' || shown.away}
    <form class="mt-3 max-w-sm" role="search" onsubmit={(event) => event.preventDefault()}>
        <TextLine label={texts.words} placeholder={texts.partOfItsName} bind:value={filter.q} oninput={() => list.go(200)} />
    </form>
{/if}

<ul class="mt-4">
    {#each shown.jobs as job (job.id)}
        {@const reached = job.chain.findLast((link) => !['planned', 'not planned yet', 'kept'].includes(link.status))}
        <li class="job">
            <div class="min-w-0">
                <h2 class="text-xl">
                    {#if shown.away}{job.name}{:else}<a href="/jobs/{job.id}">{job.name}</a>{/if}
                </h2>
                {#if shown.away}<button class="btn mt-1" onclick={() => router.post(`/jobs/${String(job.id)}/restore`)}
                        >{texts.bringItBack}</button
                    >{/if}
                <p class="quiet text-sm">{job.purpose}</p>
            </div>
            <ol class="mini" aria-label={texts.itsChain}>
                {#each job.chain as link, i (i)}
                    <li class:hollow={!link.positive} style="--m:{link.colour}"><span class="sr-only">{link.name}: {link.status}</span></li>
                {/each}
            </ol>
            <p class="state">
                {#if job.chain.some((l) => l.stopped)}<span class="mr-2 inline-flex items-center gap-1 font-bold text-error"
                        ><VerdictShape kind="stop" size={18} /> {job.chain.find((l) => l.stopped)?.name} is stopped.</span
                    >{/if}{reached === undefined ? 'not begun' : `${reached.name}: ${reached.status}`}
            </p>
            <p class="count text-right"><span class="fig font-bold">{job.cast}</span> <span class="quiet">of {job.quantity}</span></p>
            <p class="quiet text-right text-sm whitespace-nowrap">
                {job.due_on === null ? 'no date' : `by ${calendarDay(job.due_on)}`}
            </p>
        </li>
    {:else}
        <li class="quiet mt-6 max-w-prose">
            {#if shown.away && shown.q === ''}No job is put away.{:else if shown.q !== ''}No job has that in its name.{:else}No jobs yet. A
                job is one piece to be made: what the first mould is taken from, the moulds, and the casts.
                <button class="btn btn-sm mt-2" onclick={() => router.visit('/jobs?new=1')}>{texts.describeTheFirstOne}</button>{/if}
        </li>
    {/each}
</ul>
<Pages pages={shown.pages} href={list.href} only={['list']} />
{#if !shown.away && shown.put_away > 0}<p class="mt-6">
        <a class="link quiet inline-block py-3" href="/jobs?away=1"
            >{shown.put_away === 1 ? texts.oneJobIsPutAway : texts.jobsArePutAway(shown.put_away)}</a
        >
    </p>{/if}

<div class="mt-8">
    <p class="quiet">The file of a job, from here or another shop, comes in with its chain, its formulas and a sheet for each link.</p>
    <Exchange out={[]} to="/jobs/file" accept=".json,application/json" />
</div>

<style>
    .job {
        display: grid;
        grid-template-columns: minmax(0, 2fr) minmax(9rem, 1.2fr) minmax(0, 1.2fr) 5.5rem 5.5rem;
        align-items: center;
        gap: 0.5rem 1.5rem;
        border-top: 1.5px solid var(--color-base-300);
        padding: 0.85rem 0;
    }
    .mini {
        display: flex;
        gap: 3px;
        height: 2.1rem;
    }
    .mini li {
        flex: 1;
        background: var(--m);
        border-radius: 0.3rem 1.1rem 1.1rem 0.3rem;
        outline: 1px solid color-mix(in oklab, var(--m) 75%, black);
    }
    .mini li.hollow {
        border-radius: 0.3rem;
        mask:
            radial-gradient(ellipse 12px 60% at 0 50%, transparent 98%, black) left / 51% 100% no-repeat,
            radial-gradient(ellipse 12px 60% at 100% 50%, transparent 98%, black) right / 50% 100% no-repeat;
    }
    @media (max-width: 900px) {
        .job {
            grid-template-columns: 1fr auto;
        }
        .state {
            grid-row: 3;
        }
    }
</style>
