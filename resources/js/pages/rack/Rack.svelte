<script lang="ts">
    import SheetOfLabels from '../../parts/SheetOfLabels.svelte';
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { Narrowing } from '../../lib/narrowing';
    import { when } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import Pages from '../../parts/Pages.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { RackView } from '../../types/server';
    import LifeBlock from './LifeBlock.svelte';
    import PutOn from './PutOn.svelte';
    import { conditions, marks, schools, whys } from './words';
    import * as texts from './texts';

    let { rack }: { rack: RackView } = $props();
    const filter = $state(untrack(() => ({ ...rack.filter })));
    const list = new Narrowing('/rack', filter, ['rack']);
    let putting = $state(false);
    let school = $state(untrack(() => rack.release_school));
    const urgent = (row: RackView['rows'][number]): boolean => row.left !== null && row.left.likely <= 5;
    const leftInWords = (row: RackView['rows'][number]): string =>
        row.left === null ? '' : `${String(row.left.likely)} left, ${String(row.left.low)} to ${String(row.left.high)}`;
</script>

<svelte:head><title>Rack · Apalos</title></svelte:head>

<div class="flex flex-wrap items-end justify-between gap-3">
    <div>
        <h1 class="text-3xl">{texts.rack}</h1>
        <p class="quiet">
            {rack.filter.show === 'retired'
                ? 'Moulds nobody casts in any more.'
                : 'What stands left is to be re-made first. As high as a block stands, so much of its life is left; striped, nobody knows.'}
        </p>
    </div>
    <p class="flex flex-wrap gap-2">
        <a class="btn" href="/rack.csv" download>{texts.takeItOutAsCsv}</a>
        <button class="btn" aria-expanded={putting} onclick={() => (putting = !putting)}>{texts.putOneOnTheRack}</button>
    </p>
</div>
{#if putting}<PutOn bases={rack.bases} surfaces={rack.surfaces} />{/if}

<form class="filters" role="search" onsubmit={(event) => event.preventDefault()}>
    <TextLine label={texts.findAMould} placeholder={texts.nameJobPlaceM12} bind:value={filter.q} oninput={() => list.go(200)} />
    <Choice label={texts.show} bind:value={filter.show} onchange={() => list.go()}>
        <option value="use">{texts.inUse}</option>
        <option value="retired">{texts.retired}</option>
    </Choice>
    <Choice
        label={texts.aReleaseGoesOnWhereIt}
        bind:value={school}
        onchange={() => router.put('/rack/school', { school }, { preserveScroll: true, preserveState: true })}
        >{#each Object.entries(schools) as [id, words] (id)}<option value={id}>{words}</option>{/each}</Choice
    >
</form>

{#if rack.homeless > 0}
    <p class="mt-3 border-l-4 border-warning pl-3">
        {rack.homeless === 1 ? 'One casting' : `${String(rack.homeless)} castings`} of the last two months came out of no mould the rack knows.
        Open their pours in the <a class="link" href="/log">{texts.log}</a> and say which mould it was.
    </p>
{/if}

{#if rack.rows.length > 0}<div class="mt-3">
        <SheetOfLabels of="moulds={rack.rows.map((row) => row.id).join(',')}" words={texts.labelsOfThese} />
    </div>{/if}
<ul class="shelf">
    {#each rack.rows as row (row.id)}
        <li class:urgent={urgent(row)}>
            <a class="thing" href="/rack/{row.id}">
                <span class="block"
                    ><LifeBlock
                        casts={row.casts}
                        left={row.left}
                        colour={row.colour}
                        title={row.left === null ? texts.retired2(row.name) : `${row.name}: ${leftInWords(row)}`}
                    /></span
                >
                <span class="board fig">{row.code}</span>
                <b>{row.name}</b>
            </a>
            <p class="text-sm">
                {#if row.left !== null}<b class="fig text-lg">{row.left.likely}</b> casts left
                    <span class="quiet">({row.left.low}–{row.left.high}), {row.casts} made</span>{:else}{row.casts} casts made, {whys[
                        row.retired_why ?? ''
                    ] ?? 'retired'}
                    {row.retired_ms === null ? '' : when(row.retired_ms, bench.now)}{/if}
            </p>
            <p class="quiet text-sm">{row.material ?? 'rubber not said'}{row.casting === null ? '' : `, for ${row.casting}`}</p>
            {#if row.job !== null && row.job !== row.name}<p class="quiet text-sm">{row.job}</p>{/if}
            <p class="flex flex-wrap gap-1 text-sm">
                {#if row.condition !== null}<span class="tag">{conditions[row.condition]}</span>{/if}
                {#each row.marks as mark (mark)}<span class="tag bad">{marks[mark]}</span>{/each}
                {#if row.place !== null}<span class="tag">{row.place}</span>{/if}
                {#if urgent(row)}<span class="tag bad">re-make it</span>{/if}
            </p>
            {#if row.filled !== null}<p class="text-sm">
                    filled: <a class="link inline-block leading-7" href="/pours/{row.filled.pour}/run"
                        >{row.filled.job}, {row.filled.link}</a
                    >
                </p>{/if}
        </li>
    {:else}
        <li class="quiet empty">
            {rack.filter.q === '' && rack.filter.show === 'use'
                ? 'Nothing stands here yet. When the last part of a mould is opened and graded, it comes onto the rack by itself.'
                : 'Nothing fits that.'}
        </li>
    {/each}
</ul>
<Pages pages={rack.pages} href={list.href} only={['rack']} />

<style>
    .filters {
        display: grid;
        grid-template-columns: 2fr 1fr 1.6fr;
        gap: 0.75rem;
        margin-top: 0.75rem;
    }
    .shelf {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(11.5rem, 1fr));
        gap: 1.75rem 0;
        margin-top: 1.25rem;
    }
    .shelf li {
        display: grid;
        align-content: start;
        gap: 0.15rem;
        padding: 0 0.6rem;
    }
    .shelf .empty {
        grid-column: 1 / -1;
    }
    .thing {
        display: grid;
        gap: 0.15rem;
        margin: 0 -0.6rem;
        padding: 0 0.6rem;
    }
    .block {
        display: block;
        height: 5.4rem;
        padding: 0 0.75rem;
    }
    /* The board it stands on goes through from mould to mould. */
    .board {
        display: block;
        margin: -0.2rem -0.6rem 0.2rem;
        padding: 0.1rem 0.6rem;
        background: var(--color-base-300);
        font-weight: 700;
    }
    .thing b {
        overflow-wrap: anywhere;
    }
    .thing:hover b {
        text-decoration: underline;
    }
    .urgent .board {
        background: var(--color-error);
        color: var(--color-error-content);
    }
    .tag {
        background: var(--color-base-200);
        border-radius: 999px;
        padding: 0.05rem 0.6rem;
    }
    .tag.bad {
        background: var(--color-error);
        color: var(--color-error-content);
    }
    @media (max-width: 700px) {
        .filters {
            grid-template-columns: 1fr;
        }
        .shelf {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
