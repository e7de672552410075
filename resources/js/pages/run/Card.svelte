<script lang="ts">
    /** What was poured by its card is typed in: it becomes the run, each step at the time that stands there. */
    import { router } from '@inertiajs/svelte';
    import { tick, untrack } from 'svelte';
    import { ask, type Wrong as Refused } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { emptyCard, handedIn, readInAll, type TypedCard } from '../../lib/card';
    import { newKey } from '../../lib/press';
    import { Typing } from '../../lib/typing.svelte';
    import { dayAndTime } from '../../lib/when';
    import Measure from '../../parts/Measure.svelte';
    import MomentEntry from '../../parts/MomentEntry.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { CardView, RunView } from '../../types/server';
    import CardCup from './CardCup.svelte';
    import GradeStep from './GradeStep.svelte';
    import * as texts from './texts';

    let { run: sent, card: shown }: { run: RunView; card: CardView } = $props();
    // What somebody told meanwhile comes with the refusal.
    let since = $state<{ run: RunView; card: CardView } | null>(null);
    const run = $derived(since?.run ?? sent);
    const card = $derived(since?.card ?? shown);
    const keeping = new Typing<TypedCard>(
        untrack(() => `card/${String(sent.pour_id)}`),
        untrack(() => emptyCard(shown, newKey())),
    );
    const typed = keeping.value;

    let wrong = $state<Refused | null>(null);
    let sending = $state(false);
    const errors = $derived(wrong === null ? {} : { [wrong.field]: wrong.message });
    /** What is far from meant is asked about: it carries what it is about. */
    const asked = $derived(wrong?.field.startsWith('sure.') === true ? wrong.field.slice('sure.'.length) : null);
    const fields = /^(cups\.|gelled_ms$|opened_ms$|left_g$)/;
    const ended = $derived(run.step.kind === 'done' || run.step.kind === 'given_up');
    const ready = $derived([
        ...(run.gear.length === 0 && run.cautions.length === 0
            ? [{ id: 'gear', text: texts.nothingToPutOn, done: card.gear_on }]
            : [{ id: 'gear', text: texts.putOn(run.gear.join(', ')), done: card.gear_on }]),
        ...run.checklist,
    ]);
    const lastIn = $derived(
        Math.max(card.began_ms, ...card.cups.map((cup, i) => cup.filled_ms ?? typed.cups[i]?.filled_ms ?? card.began_ms)),
    );

    async function handIn(): Promise<void> {
        if (sending) {
            return;
        }
        sending = true;
        const answer = await ask<{ run: RunView; card: CardView }>(
            'POST',
            `/pours/${String(run.pour_id)}/card/typed`,
            handedIn(card, $state.snapshot(typed), run),
        );
        sending = false;
        if (answer.ok) {
            keeping.forget();
            router.visit(`/pours/${String(run.pour_id)}/run`);
            return;
        }
        wrong = answer.wrong;
        if (answer.status === 409) {
            since = answer.data as { run: RunView; card: CardView };
        }
        await tick();
        document.querySelector('.card-in [role="alert"]')?.scrollIntoView({ block: 'center' });
    }

    function itWasSo(of: string): void {
        typed.sure = [...typed.sure, of];
        wrong = null;
        void handIn();
    }
</script>

<svelte:head><title>{texts.typeTheCardIn}: {run.job} · Apalos</title></svelte:head>

<div class="card-in">
    <h1 class="text-4xl">{texts.typeTheCardIn}</h1>
    <p class="quiet">
        <a class="link" href="/jobs/{run.job_id}">{run.job}</a> · {run.impression} · {run.formula} · {texts.cardNo(run.pour_id)}
    </p>
    <p class="mt-1">{texts.begunAt(dayAndTime(card.began_ms))}</p>

    {#if ended}
        <p class="mt-4">{texts.allOfItIsTold} <a class="link" href="/pours/{run.pour_id}/run">{texts.lookAtIt}</a></p>
    {:else if card.too_many}
        <p class="mt-4 max-w-prose">
            {texts.tooManyCups} <a class="link" href="/pours/{run.pour_id}/run">{texts.onItsRun}</a>
        </p>
    {:else}
        <form
            onsubmit={(event) => {
                event.preventDefault();
                void handIn();
            }}
        >
            <fieldset class="mt-4">
                <legend class="text-2xl">{texts.whatStandsTicked}</legend>
                <ul>
                    {#each ready as item (item.id)}
                        <li>
                            <label
                                ><input
                                    type="checkbox"
                                    class="checkbox"
                                    checked={item.done || typed.ticked.includes(item.id)}
                                    disabled={item.done}
                                    onchange={(event) =>
                                        (typed.ticked = event.currentTarget.checked
                                            ? [...typed.ticked, item.id]
                                            : typed.ticked.filter((one) => one !== item.id))}
                                /><span>{item.text}</span></label
                            >
                        </li>
                    {/each}
                </ul>
                {#if wrong?.field === 'ticked'}<Wrong says={wrong.message} />{/if}
            </fieldset>

            {#each card.cups as cup, i (cup.batch)}
                {@const one = typed.cups[i]}
                {#if one !== undefined}<CardCup
                        {run}
                        {cup}
                        bind:typed={() => one, (value) => (typed.cups[i] = value)}
                        near={card.cups[i - 1]?.filled_ms ?? typed.cups[i - 1]?.filled_ms ?? card.began_ms}
                        {errors}
                    />{/if}
            {/each}

            <h2 class="mt-6 text-2xl">{texts.afterwards}</h2>
            <div class="after">
                {#if run.left_g === null}<Measure
                        label={texts.leftOver}
                        kind="mass"
                        bind:value={typed.left_g}
                        error={errors['left_g'] ?? errors['payload.left_g'] ?? null}
                    />{/if}
                {#if run.wait.gelled_ms !== null}<p>{texts.at(texts.gelledWord, dayAndTime(run.wait.gelled_ms))}</p>
                {:else if run.heat === null}<MomentEntry
                        label={texts.leftInCupGelledAt}
                        bind:value={typed.gelled_ms}
                        near={lastIn}
                        error={errors['gelled_ms'] ?? null}
                    />{/if}
                {#if !card.stops}
                    {#if run.wait.opened_ms !== null}<p>{texts.at(texts.openedWord, dayAndTime(run.wait.opened_ms))}</p>
                    {:else}<MomentEntry
                            label={texts.openedAt}
                            bind:value={typed.opened_ms}
                            near={bench.now}
                            error={errors['opened_ms'] ?? null}
                            hint={texts.leftEmptyItGoesOn}
                        />{/if}
                {/if}
            </div>
            {#if !card.stops && (typed.opened_ms !== null || run.wait.opened_ms !== null)}
                <section class="mt-6" aria-label={texts.howDidItComeOut}>
                    <GradeStep
                        run={{ ...run, weighed_g: Math.max(run.weighed_g, readInAll(card, typed)) }}
                        bind:grading={typed.grading}
                        within
                    />
                </section>
            {/if}
            <label class="note"
                ><span class="quiet text-sm">{texts.whatIsWrittenOnIt}</span><textarea
                    class="textarea w-full"
                    rows="2"
                    maxlength="2000"
                    bind:value={typed.note}></textarea></label
            >
            {#if wrong !== null && asked !== null}
                <section class="asked" role="alert">
                    <p><b>{wrong.message}</b></p>
                    <button type="button" class="btn btn-primary big" onclick={() => itWasSo(asked)}>{texts.itWasSo}</button>
                </section>
            {:else if wrong !== null && wrong.field !== 'ticked' && !fields.test(wrong.field)}<Wrong says={wrong.message} />{/if}
            <p class="mt-4 flex flex-wrap items-center gap-4">
                <button class="btn btn-primary big" disabled={sending}>{texts.itBecomesTheRun}</button>
                <a class="btn btn-ghost" href="/pours/{run.pour_id}/run">{texts.onItsRun}</a>
            </p>
        </form>
    {/if}
</div>

<style>
    .card-in {
        max-width: 58rem;
        margin: 0 auto;
    }
    li label {
        display: flex;
        gap: 0.9rem;
        align-items: center;
        min-height: 2.9rem;
        cursor: pointer;
    }
    li + li {
        margin-top: 0.4rem;
    }
    .after {
        display: flex;
        flex-wrap: wrap;
        gap: 1rem 1.5rem;
        align-items: start;
        margin-top: 0.4rem;
    }
    .note {
        display: grid;
        gap: 0.2rem;
        margin-top: 1.2rem;
    }
    .asked {
        display: grid;
        gap: 0.6rem;
        justify-items: start;
        border-left: 6px solid var(--color-warning);
        padding: 0.5rem 0 0.5rem 1.1rem;
        margin-top: 1.2rem;
        max-width: 60ch;
    }
</style>
