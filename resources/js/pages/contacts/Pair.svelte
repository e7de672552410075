<script lang="ts">
    import { shortDate } from '../../lib/when';
    import { router } from '@inertiajs/svelte';
    import { doing, verdictMark } from '../../lib/contacts';
    import { refused } from '../../lib/refused';
    import { bench } from '../../lib/bench.svelte';
    import { measure, minutes } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ContactBoardView, ContactResult } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        pair: ContactResult;
        board: ContactBoardView;
        fresh: string;
        surface: string;
        title: string;
        onbase: (code: string) => void;
    };
    let { pair, board, fresh, surface, title, onbase }: Props = $props();

    const verdicts: Record<string, string> = {
        clear: 'It lets go and it cures.',
        release: 'Put a release between them.',
        'seal-and-release': 'Close the pores, then release.',
        'test-first': 'Put on a test patch first.',
        stop: 'Stop.',
    };
    const on = $derived(board.surfaces.find((s) => s.id === surface)?.name ?? 'it');
    const bears = $derived(board.surfaces.find((s) => s.id === surface)?.bears_c);
    const tests = $derived(board.patches.filter((p) => p.fresh === fresh && p.surface === surface));
    const bases = $derived(board.bases.filter((b) => b.family === fresh));
    const usual = $derived(bases[0]?.code ?? '');
    // As somebody chose it, until another chemistry is looked at.
    let base = $derived(usual);
    let place = $state('');
    let sealer = $state('');
    let release = $state('');

    function putOn(event: SubmitEvent): void {
        event.preventDefault();
        router.post(
            '/contacts/patches',
            { fresh, surface, base, place, sealed_with: sealer || null, release: release || null },
            { preserveScroll: true, onSuccess: () => (place = '') },
        );
    }
    const wrong = $derived(refused('patch'));
</script>

<h2 class="text-2xl">{title[0]?.toUpperCase()}{title.slice(1)}</h2>
<p class="mt-1 flex items-center gap-2 text-lg">
    <VerdictShape kind={verdictMark[pair.verdict] ?? 'stop'} /> <b>{verdicts[pair.verdict]}</b> <span class="quiet">{pair.in_short}</span>
</p>
{#if bears !== undefined}<p class="quiet">
        {bears === null
            ? `Nobody knows what heat ${on} bears.`
            : `${on[0]?.toUpperCase() ?? ''}${on.slice(1)} bears about ${measure(bears, 'temperature', bench.units, 0)} for the minutes of a cast.`}
    </p>{/if}
<ul class="because">
    {#each pair.because as why (why.rule)}<li>{why.text} <span class="quiet text-sm">{why.sure}</span></li>{/each}
</ul>
{#if pair.plan.length > 0}
    <ol class="plan" aria-label={texts.whatToDo}>
        {#each pair.plan as step, i (i)}
            <li>
                <b>{doing[step.do]}:</b>
                {step.what}{step.coats > 1 ? `, ${String(step.coats)} coats` : ''}{step.minutes > 0 ? `, ${minutes(step.minutes)}` : ''}.
                <span class="quiet">{step.note}</span>
            </li>
        {/each}
    </ol>
{/if}
{#if pair.releases.length > 0 && pair.verdict !== 'stop'}
    <h3 class="mt-3 text-lg">{texts.releasesBestFirst}</h3>
    <ul class="releases">
        {#each pair.releases as release (release.id)}
            <li>
                <b>{board.releases[release.id]}</b>
                <span class="fit" role="img" style="--fit:{release.fit}" aria-label={texts.fitsOf100(Math.round(release.fit * 100))}></span>
                <span class="quiet text-sm">{release.why}</span>
            </li>
        {/each}
    </ul>
{/if}
{#if pair.ruinous.length > 0}
    <h3 class="mt-3 text-lg">{texts.wouldRuinIt}</h3>
    <ul class="text-sm">
        {#each pair.ruinous as release (release.id)}<li><b>{board.releases[release.id]}.</b> {release.why}</li>{/each}
    </ul>
{/if}
{#each pair.cautions as caution (caution)}<p class="caution">{caution}</p>{/each}

<h3 class="mt-4 text-lg">{texts.yourOwnTests}</h3>
<ul class="text-sm">
    {#each tests as test (test.id)}
        <li>
            {#if test.base !== null}{board.bases.find((b) => b.code === test.base)?.name ?? test.base}:{/if}
            {test.sealed_with === null ? '' : `over ${board.sealers[test.sealed_with] ?? test.sealed_with},`}
            {test.release === null ? '' : `with ${board.releases[test.release] ?? test.release}:`}
            <b>{test.passed === null ? 'still on' : test.passed ? 'cured and came away' : 'failed'}</b>
            {shortDate(test.put_on_ms)}
            {test.place}
            {test.note}
            {#if test.photo}<a class="link" href="/contacts/patches/{test.id}/photo" download>{texts.photo}</a>{/if}
        </li>
    {:else}
        <li class="quiet">None of this pair.</li>
    {/each}
</ul>
<form class="mt-2 grid gap-2" onsubmit={putOn} aria-label={texts.putOnATestPatch}>
    <p class="quiet text-sm">
        A test patch: thickened and tinted so that it shows, on a hidden place, one spot wiped with solvent first. It clears this surface
        under this base, with this sealer and this release, and nothing else: write a clay of your own down in <a
            class="link"
            href="/stores/new/sheet?kind=surface">{texts.stores}</a
        > and it is told from others.
    </p>
    <div class="flex flex-wrap items-end gap-2">
        {#if bases.length > 0}
            <Choice label={texts.ofWord} bind:value={base} onchange={onbase}
                >{#each bases as b (b.code)}<option value={b.code}>{b.name}</option>{/each}</Choice
            >
        {/if}
        <Choice label={texts.over} bind:value={sealer}
            ><option value="">{texts.theBareSurface}</option>{#each Object.entries(board.sealers) as [id, name] (id)}<option value={id}
                    >{name}</option
                >{/each}</Choice
        >
        <Choice label={texts.releasedWith} bind:value={release}
            ><option value="">{texts.nothing}</option>{#each Object.entries(board.releases) as [id, name] (id)}<option value={id}
                    >{name}</option
                >{/each}</Choice
        >
        <label class="grid min-w-48 flex-1 gap-1 text-sm"
            ><span class="quiet">{texts.where}</span><input
                class="input w-full"
                placeholder={texts.underTheLeftFoot}
                bind:value={place}
            /></label
        >
        <button class="btn">{texts.itIsOn}</button>
    </div>
    <Wrong says={wrong} />
</form>

<style>
    .because {
        display: grid;
        gap: 0.2rem;
        margin-top: 0.4rem;
    }
    .plan {
        list-style: decimal;
        padding-left: 1.3rem;
        margin-top: 0.6rem;
        display: grid;
        gap: 0.25rem;
    }
    .releases {
        display: grid;
        gap: 0.25rem;
    }
    .fit {
        display: inline-block;
        width: 4rem;
        height: 0.5rem;
        border-radius: 0.25rem;
        background: linear-gradient(var(--color-success), var(--color-success)) left / calc(var(--fit) * 100%) 100% no-repeat
            var(--color-base-300);
    }
    .caution {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.7rem;
        margin-top: 0.5rem;
        font-size: 0.9rem;
    }
</style>
