<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { LiveBuild, standing } from '../../lib/build.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import { calendarDay, when } from '../../lib/when';
    import type { Entry } from '../../lib/units';
    import { away } from '../../lib/away.svelte';
    import { otherThings } from '../../lib/takeBack';
    import Aside from '../../parts/Aside.svelte';
    import Clashing from '../../parts/Clashing.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { BuildAheadView, BuildView, ShelfView } from '../../types/server';
    import NoteDialog from '../run/NoteDialog.svelte';
    import GradeBuild from './GradeBuild.svelte';
    import NowPanel from './NowPanel.svelte';
    import OnPaper from '../../parts/OnPaper.svelte';
    import PractiseThis from '../../parts/PractiseThis.svelte';
    import Operations from './Operations.svelte';
    import PlanForm from './PlanForm.svelte';
    import Section from './Section.svelte';
    import * as texts from './texts';

    let { build: sent, bases, ahead = null }: { build: BuildView; bases: ShelfView['bases']; ahead?: BuildAheadView | null } = $props();
    const live = untrack(() => new LiveBuild(sent, ahead, away.since !== null));
    const build = $derived(live.build);
    const over = $derived(build.grade !== null || build.given_up !== null);
    const here = $derived(build.copies.find((copy) => copy.id === build.id));
    let picked = $state<string | null>(null);
    const shown = $derived(build.operations.find((op) => op.id === (picked ?? build.next)) ?? null);
    let noting = $state(false);
    let changing = $state(false);
    let givingUp = $state(false);
    let why = $state('');
    let more = $state<Entry>(1);
    let name = $state('');

    // What was done moves on: what was picked to be looked at is looked at no longer.
    const next = $derived(build.next);
    $effect(() => {
        void next;
        picked = null;
    });

    onMount(() => {
        live.begin();
        const others = setInterval(() => void live.look(), 4000);
        const drop = screenKeys([
            { press: 'Backspace', does: 'Take back the last thing', run: () => void live.takeBack() },
            { press: 'n', does: 'Note something', run: () => (noting = true) },
            { press: 'e', does: 'Change the plan', run: () => (changing = true) },
        ]);
        return () => {
            clearInterval(others);
            drop();
        };
    });
    const told: Record<string, string> = {
        begun: 'beginning',
        done: '',
        left_out: 'leaving out',
        failed: 'the failing of',
        retold: 'the time of',
        fingered: 'the touch of',
        weighed: 'the weighing of',
        noted: 'the note',
        changed: 'the change of plan',
        put: 'the place of',
        graded: 'the grade',
        given_up: 'giving it up',
    };
</script>

<svelte:head><title>{build.job}: {build.link} · Apalos</title></svelte:head>

<p class="quiet"><a class="link inline-block py-2" href="/jobs/{build.job_id}">{build.job}</a> · {build.name}</p>
<h1 class="text-4xl">
    {build.link}{#if here !== undefined}{texts.copyOf(here.copy, build.copies.at(-1)?.copy ?? '')}{/if}
</h1>
{#if build.wanted_on !== null}<p class="quiet">Wanted by {calendarDay(build.wanted_on)}.</p>{/if}
{#if here !== undefined}
    <ol class="copies" aria-label={texts.copies}>
        {#each build.copies as copy (copy.id)}
            <li>
                <a href="/builds/{copy.id}" class:here={copy.id === build.id} aria-current={copy.id === build.id ? 'page' : undefined}
                    ><b>{copy.copy}</b>
                    {copy.wanted_on === null ? '' : calendarDay(copy.wanted_on)}
                    <span>{copy.state}</span></a
                >
            </li>
        {/each}
    </ol>
{/if}

<div class="build">
    <div class="left">
        <Section {build} />
        {#each build.doubts as doubt (doubt.message)}<p class="mt-2 font-bold text-warning">{doubt.message}</p>{/each}
    </div>
    <div class="centre">
        {#if build.grade !== null}
            <p class="text-2xl">It came out <b>{build.grade.grade}</b>.</p>
            {#if build.grade.note !== ''}<p class="max-w-prose">{build.grade.note}</p>{/if}
            {#if build.main_pour !== null && ['poor', 'spoilt'].includes(build.grade.grade) && build.grade.faults.length > 0}<p>
                    <a class="btn" href="/pours/{build.main_pour}/run">{texts.whatWentWrong}</a>
                </p>{/if}
        {:else if build.given_up !== null}
            <p class="text-2xl">Given up. {build.given_up}</p>
        {:else if build.through}
            <GradeBuild {live} />
        {:else if shown !== null}
            <NowPanel {live} op={shown} />
        {/if}
        <Wrong says={live.trouble ?? refused('build') ?? refused('keep')} />
        {#if live.outbox.waiting > 0}<p class="mt-1 quiet" role="status">Kept on this device, not yet on the bench computer.</p>{/if}
        {#if live.wants !== null}<p class="mt-2 max-w-prose border-l-4 border-warning pl-3 font-bold" role="alert">{live.wants}</p>{/if}
        <Aside outbox={live.outbox} />
        <Clashing
            {live}
            back={live.build.take_back === null
                ? null
                : {
                      of: live.build.take_back.of,
                      words: `${otherThings[live.build.take_back.kind] ?? live.build.take_back.kind.replaceAll('_', ' ')} ${live.build.take_back.name ?? ''}`.trim(),
                      about: live.build.take_back.about,
                  }}
            digits={bench.fine}
        />
        <p class="tools">
            {#if build.take_back !== null}<button class="btn" onclick={() => void live.takeBack()}
                    >{texts.takeBack(
                        told[build.take_back.kind] ?? '',
                        build.take_back.name === null ? '' : `“${build.take_back.name}”`,
                    )}</button
                >{/if}
            <button class="btn" onclick={() => (noting = true)}>{texts.note}</button>
            {#if !over && shown !== null && !['done', 'left_out', 'under_way'].includes(standing(shown, bench.now))}<button
                    class="btn"
                    onclick={() => void live.record('left_out', { op: shown.id })}>{texts.leaveOut(shown.name)}</button
                >{/if}
        </p>
        {#if build.notes.length > 0}
            <ul class="mt-3" aria-label={texts.notes}>
                {#if build.notes_before > 0}<li>{build.notes_before} more were noted before these.</li>{/if}
                {#each build.notes as note, i (i)}<li>{when(note.at_ms, bench.now)} {note.text}</li>{/each}
            </ul>
        {/if}
    </div>
    <div class="right">
        <Operations {live} chosen={shown?.id ?? null} onchoose={(id) => (picked = id)} />
        {#if !over}<p class="mt-3">
                <button class="btn" aria-expanded={changing} onclick={() => (changing = !changing)}>{texts.changeThePlan}</button>
            </p>{/if}
    </div>
</div>

{#if changing}<PlanForm {live} {bases} onclose={() => (changing = false)} />{/if}

<section class="ways" aria-label={texts.thisBuild}>
    <p class="flex flex-wrap gap-2"><OnPaper what="builds/{build.id}" words="Build sheet" /><PractiseThis of={{ build: build.id }} /></p>
    <form
        class="keep"
        onsubmit={(event) => {
            event.preventDefault();
            router.post(`/builds/${String(build.id)}/keep`, { name }, { preserveScroll: true });
        }}
    >
        <TextLine label={texts.keepItAsAWayOf} bind:value={name} />
        <button class="btn" disabled={name.trim() === ''}>{texts.keepThisWay}</button>
    </form>
    {#if build.begun}<form
            class="keep"
            onsubmit={(event) => {
                event.preventDefault();
                // The first of them is opened: a page of its own, on which nothing of this one stands.
                router.post(`/builds/${String(build.id)}/again`, { copies: more }, { preserveState: 'errors' });
            }}
        >
            <Measure
                label={texts.buildTheSameAgainSoMany}
                kind="plain"
                bind:value={more}
                error={refused('again')}
                hint={texts.asItWasBuiltInThe}
            />
            <button class="btn">{texts.buildItAgain}</button>
        </form>{/if}
    {#if !over}
        {#if !build.begun}<button class="btn btn-ghost" onclick={() => router.delete(`/builds/${String(build.id)}`)}
                >{texts.throwThisPlanAway}</button
            >
        {:else if !givingUp}<button class="btn btn-ghost" onclick={() => (givingUp = true)}>{texts.giveThisBuildUp}</button>
        {:else}
            <form
                class="keep"
                onsubmit={(event) => {
                    event.preventDefault();
                    void live.record('given_up', { note: why });
                    givingUp = false;
                }}
            >
                <TextLine label={texts.whyInAWordOrTwo} bind:value={why} />
                <button class="btn btn-primary">{texts.giveItUp}</button>
                <button type="button" class="btn btn-ghost" onclick={() => (givingUp = false)}>{texts.goOnWithIt}</button>
            </form>
        {/if}
    {/if}
</section>

<NoteDialog bind:open={noting} faults={[]} onnote={(text) => void live.note(text)} />

<style>
    .copies {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem;
        margin: 0.5rem 0;
    }
    .copies a {
        display: grid;
        align-content: center;
        min-height: 2.75rem;
        padding: 0.3rem 0.8rem;
        border: 2px solid var(--color-base-300);
        border-radius: 1rem;
    }
    .copies .here {
        border-color: var(--color-primary);
        box-shadow: inset 0 -5px 0 var(--color-accent);
    }
    .build {
        display: grid;
        grid-template-columns: minmax(15rem, 0.9fr) minmax(0, 1.3fr) minmax(17rem, 1fr);
        gap: 1.25rem 2rem;
        margin-top: 1rem;
        align-items: start;
    }
    .tools {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
        margin-top: 1rem;
    }
    .tools .btn {
        min-height: 2.75rem;
        height: auto;
    }
    .ways {
        display: flex;
        flex-wrap: wrap;
        gap: 1rem 2rem;
        align-items: end;
        margin-top: 2.5rem;
    }
    .keep {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: end;
    }
    @media (max-width: 1100px) {
        .build {
            grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        }
        .centre {
            grid-column: 1 / -1;
            grid-row: 1;
        }
    }
    @media (max-width: 700px) {
        .build {
            grid-template-columns: minmax(0, 1fr);
        }
        .centre {
            grid-row: auto;
            order: -1;
        }
    }
</style>
