<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { figure } from '../../lib/units';
    import { shortDate } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import type { FaultsView } from '../../types/server';
    import NewTrial from './NewTrial.svelte';
    import * as texts from './texts';

    let { page }: { page: FaultsView } = $props();
    let fault = $state(untrack(() => page.fault ?? ''));
    let planning = $state(false);
    const whats: Record<string, string> = { base: 'Base', lot: 'Lot', room: 'Room', mould: 'Mould', person: 'By', hour: 'Hour' };
    const pct = (bad: number, all: number): number => (all === 0 ? 0 : (100 * bad) / all);
</script>

<svelte:head><title>What goes wrong · Apalos</title></svelte:head>

<div class="flex flex-wrap items-end justify-between gap-3">
    <div>
        <p class="quiet"><a class="link inline-flex min-h-11 min-w-11 items-center" href="/log">{texts.log}</a></p>
        <h1 class="text-3xl">{texts.whatGoesWrongAgainAndAgain}</h1>
    </div>
    <div class="w-64">
        <Choice
            label={texts.badIs}
            bind:value={fault}
            onchange={() =>
                router.get(fault === '' ? '/faults' : `/faults?fault=${fault}`, {}, { preserveState: true, preserveScroll: true })}
        >
            <option value="">{texts.poorOrSpoilt}</option>
            {#each Object.entries(page.faults) as [id, name] (id)}<option value={id}>{name}</option>{/each}
        </Choice>
    </div>
</div>

<p class="mt-3 text-xl" role="status">{page.says}</p>
<p class="quiet">
    The newest {page.compared} casts at most, by base, lot, mould, room, hour and, where it is no chance, by whose hands: the exact test of Fisher,
    corrected for looking at many things.
</p>
<ul class="found">
    {#each page.found as one (one.what + one.value)}
        <li class:sure={one.sure}>
            <p>
                <span class="quiet">{whats[one.what] ?? one.what}</span><br />
                {#if one.href === null}<b>{one.value}</b>{:else}<a class="link inline-block leading-7 font-bold" href={one.href}
                        >{one.value}</a
                    >{/if}
            </p>
            <div>
                <div class="bars" aria-hidden="true">
                    <i><u style="width:{pct(one.bad, one.all)}%"></u></i>
                    <i class="else"><u style="width:{pct(one.elsewhere_bad, one.elsewhere_all)}%"></u></i>
                </div>
                <p>
                    <b class="fig">{one.bad}</b> of <span class="fig">{one.all}</span> bad here, elsewhere
                    <b class="fig">{one.elsewhere_bad}</b> of <span class="fig">{one.elsewhere_all}</span>
                </p>
                {#if one.note !== null}<p class="text-sm">{one.note}</p>{/if}
            </div>
            <p class="text-right">
                {one.sure ? 'no chance' : 'could be chance'}<br />
                <span class="quiet text-sm">chance {figure(100 * one.corrected, 'percent', 'metric')} %</span>
            </p>
        </li>
    {/each}
</ul>

<div class="cols">
    <section aria-label={texts.whatYouFound}>
        <h2 class="text-2xl">{texts.whatYouFoundBehindBadCasts}</h2>
        <ul class="grid gap-3">
            {#each page.causes as cause (cause.id)}
                <li>
                    <p><b>{cause.name}</b> <span class="quiet">{cause.times} {cause.times === 1 ? 'time' : 'times'}</span></p>
                    <p class="text-sm">{cause.next}</p>
                </li>
            {:else}<li class="quiet">
                    Nothing yet. After a bad grade the run asks two questions at most, and what you say it was counts from then on.
                </li>{/each}
        </ul>
    </section>
    <section aria-label={texts.trials}>
        <div class="flex flex-wrap items-baseline justify-between gap-2">
            <h2 class="text-2xl">{texts.trials}</h2>
            <button class="btn" aria-expanded={planning} onclick={() => (planning = !planning)}>{texts.planATrial}</button>
        </div>
        <p class="quiet">
            Two to six variants of one thing in equal cups, graded alike: then it says what they tell, and how sure that is.
        </p>
        {#if planning}<NewTrial {page} />{/if}
        <ul class="mt-2">
            {#each page.trials as trial (trial.id)}
                <li class="trial">
                    <a class="link inline-block leading-7 font-bold" href="/trials/{trial.id}">{trial.name}</a>
                    <span class="quiet">{trial.variants} variants · {shortDate(trial.at_ms)}</span>
                    <span>{trial.ended ? 'ended' : 'open'}</span>
                </li>
            {:else}<li class="quiet">None yet.</li>{/each}
        </ul>
    </section>
</div>

<style>
    .found {
        margin-top: 0.75rem;
    }
    .found li {
        display: grid;
        grid-template-columns: minmax(10rem, 1fr) minmax(0, 2fr) 8rem;
        gap: 1.25rem;
        padding: 0.7rem 0 0.7rem 0.9rem;
        border-top: 1.5px solid var(--color-base-300);
        border-left: 5px solid var(--color-base-300);
    }
    .found .sure {
        border-left-color: var(--color-error);
    }
    .bars {
        display: grid;
        gap: 3px;
        margin-bottom: 0.3rem;
    }
    .bars i {
        display: block;
        height: 0.8rem;
        background: var(--color-base-200);
        border-radius: 0.3rem;
        overflow: hidden;
    }
    .bars u {
        display: block;
        height: 100%;
        background: var(--color-error);
    }
    .bars .else u {
        background: var(--color-neutral);
    }
    .cols {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
        gap: 2.5rem;
        margin-top: 2rem;
    }
    .trial {
        display: grid;
        grid-template-columns: 1fr auto auto;
        gap: 1rem;
        padding: 0.4rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    @media (max-width: 800px) {
        .cols,
        .found li {
            grid-template-columns: minmax(0, 1fr);
            gap: 0.5rem;
        }
        .found .text-right {
            text-align: left;
        }
    }
</style>
