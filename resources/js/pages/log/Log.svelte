<script lang="ts">
    import { shortDate } from '../../lib/when';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { Narrowing } from '../../lib/narrowing';
    import { figure, sign } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Pages from '../../parts/Pages.svelte';
    import PourAgain from '../../parts/PourAgain.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { LogView } from '../../types/server';
    import * as texts from './texts';

    let { log }: { log: LogView } = $props();
    const filter = $state(untrack(() => ({ ...log.filter })));
    const grades = ['superb', 'good', 'usable', 'poor', 'spoilt', 'given up'];
    const list = new Narrowing('/log', filter, ['log']);
    const narrow = (delay = 0): void => {
        list.go(delay);
    };

    const off = (row: LogView['rows'][number]): number | null =>
        row.used_g === null || row.planned_g === null || row.planned_g === 0 ? null : (row.used_g / row.planned_g - 1) * 100;
    // How each grade is spread over all that was found, drawn as one bar: where the shop stands at a glance.
    const spread = $derived(grades.map((grade) => ({ grade, n: log.spread[grade] ?? 0 })).filter((g) => g.n > 0));
</script>

<svelte:head><title>Log · Apalos</title></svelte:head>

<div class="flex flex-wrap items-end justify-between gap-3">
    <h1 class="text-3xl">{texts.log}</h1>
    <p class="flex flex-wrap gap-2">
        <a class="btn" href="/faults">{texts.whatGoesWrongTrials}</a>
        <a class="btn" href="/log.csv?{list.query()}" download>{texts.takeItOutAsCsv}</a>
    </p>
</div>

<form class="filters" role="search" onsubmit={(event) => event.preventDefault()}>
    <TextLine label={texts.words} placeholder={texts.jobNoteOctoberLastWeek} bind:value={filter.q} oninput={() => narrow(200)} />
    <Choice label={texts.grade} bind:value={filter.grade} onchange={() => narrow()}>
        <option value="">{texts.anyWord}</option>
        {#each grades as grade (grade)}<option>{grade}</option>{/each}
    </Choice>
    <Choice label={texts.fault} bind:value={filter.fault} onchange={() => narrow()}>
        <option value="">{texts.anyOrNone}</option>
        {#each Object.entries(log.faults) as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </Choice>
    <Choice label={texts.base} bind:value={filter.base} onchange={() => narrow()}>
        <option value="">{texts.anyWord}</option>
        {#each Object.entries(log.bases) as [code, name] (code)}<option value={code}>{name}</option>{/each}
    </Choice>
</form>

<p class="mt-3" role="status">
    <b class="fig">{log.more ? `${String(log.pages.total)} and more` : log.pages.total}</b>
    {log.pages.total === 1 ? 'pour' : 'pours'}{log.pages.pages > 1 ? ', the newest first' : ''}
</p>
{#if spread.length > 0}
    <ul class="spread" aria-label={texts.grades}>
        {#each spread as g (g.grade)}<li class={g.grade} style="flex:{g.n}">{g.grade} <span class="fig">{g.n}</span></li>{/each}
    </ul>
{/if}

<ul class="rows">
    {#each log.rows as row (row.id)}
        <li class="row" style="--m:{row.colour}">
            <p class="fig text-sm">{shortDate(row.at_ms)}</p>
            <div class="min-w-0">
                <p>
                    <a class="link inline-block leading-7 font-bold" href="/pours/{row.id}/run">{row.job} · {row.impression}</a
                    >{#if row.kind === 'cast' && row.pieces !== 1}<span class="fig ml-2"
                            >× {row.pieces}{row.good < row.pieces ? `, ${String(row.good)} good` : ''}</span
                        >{/if}
                </p>
                <p class="quiet text-sm">
                    {#if row.formula_href !== null}<a class="link inline-block leading-7" href={row.formula_href}>{row.formula}</a
                        >{:else}{row.base}{/if}
                </p>
            </div>
            <p class="text-right whitespace-nowrap">
                <span class="fig font-bold">{figure(row.used_g, 'mass', bench.units)}</span>
                <span class="quiet text-sm">{sign('mass', bench.units)}</span>
                {#if off(row) !== null}<span class="quiet block text-sm"
                        >{(off(row) ?? 0) > 0 ? '+' : ''}{figure(off(row), 'percent', 'metric', 0)} % of weighed</span
                    >{/if}
            </p>
            <p class="grade {row.grade}">
                {row.grade}{#if row.by !== null}<span class="quiet block text-sm font-normal">{row.by}</span>{/if}
            </p>
            <div class="min-w-0 text-sm">
                {#each row.faults as fault (fault.name)}<p><b>{fault.name}.</b> <span class="quiet">{fault.cause}</span></p>{/each}
                {#if row.cause !== null}<p>It was: <b>{row.cause}.</b></p>{/if}
                {#if row.note !== ''}<p>{row.note}</p>{/if}
                <div class="mt-1">
                    <PourAgain small pour={row.id} grams={row.used_g} what="{row.job}, {row.impression}, {shortDate(row.at_ms)}" />
                </div>
            </div>
        </li>
    {:else}
        <li class="quiet mt-6">
            {log.pages.total === 0 && list.query() === ''
                ? 'Nothing is graded yet. What is poured, opened and graded stands here, with what was really used.'
                : 'Nothing fits that filter.'}
        </li>
    {/each}
</ul>
<Pages pages={log.pages} href={list.href} only={['log']} />

<style>
    .filters {
        display: grid;
        grid-template-columns: 2fr 1fr 1.3fr 2fr;
        gap: 0.75rem;
        margin-top: 0.75rem;
    }
    .spread {
        display: flex;
        gap: 3px;
        margin-top: 0.5rem;
    }
    .spread li {
        padding: 0.15rem 0.7rem;
        white-space: nowrap;
        font-size: 0.9rem;
        border-radius: 0.5rem;
        min-width: fit-content;
        background: var(--color-base-200);
    }
    .row {
        display: grid;
        grid-template-columns: 5.8rem minmax(0, 1.3fr) 8.5rem 5rem minmax(0, 1.6fr);
        gap: 0.3rem 1.25rem;
        padding: 0.7rem 0 0.7rem 0.9rem;
        border-top: 1.5px solid var(--color-base-300);
        position: relative;
    }
    .row::before {
        content: '';
        position: absolute;
        left: 0;
        top: 0.8rem;
        bottom: 0.8rem;
        width: 5px;
        border-radius: 3px;
        background: var(--m);
        outline: 1px solid color-mix(in oklab, var(--m) 70%, black);
    }
    .rows {
        margin-top: 0.75rem;
    }
    .grade {
        font-weight: 700;
    }
    .grade.good,
    .grade.superb {
        color: var(--color-success);
    }
    .grade.poor {
        color: var(--color-warning);
    }
    .grade.spoilt {
        color: var(--color-error);
    }
    .row > :last-child {
        overflow-wrap: anywhere;
    }
    @media (max-width: 900px) {
        .spread {
            flex-wrap: wrap;
        }
        .filters {
            grid-template-columns: 1fr 1fr;
        }
        .row {
            grid-template-columns: minmax(0, 1fr) auto;
        }
        /* What it was comes first, with how much; when and how well stand under it. */
        .row > :nth-child(1) {
            grid-area: 2 / 1;
        }
        .row > :nth-child(2) {
            grid-area: 1 / 1;
        }
        .row > :nth-child(3) {
            grid-area: 1 / 2;
        }
        .row > :nth-child(4) {
            grid-area: 2 / 2;
            text-align: right;
        }
        .row > :last-child {
            grid-column: 1 / -1;
        }
    }
</style>
