<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import { make } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Outbox } from '../../lib/outbox.svelte';
    import { Tell } from '../../lib/tell.svelte';
    import { figure, measure, minutes } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Aside from '../../parts/Aside.svelte';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { TrialView } from '../../types/server';
    import Cups from './Cups.svelte';
    import * as texts from './texts';

    let { trial: sent }: { trial: TrialView } = $props();
    const told = untrack(() => new Tell<TrialView>(sent, `/trials/${String(sent.id)}/facts`));
    const trial = $derived(told.view);
    let trouble = $state<string | null>(null);
    /** However fast one types: what is told waits here in order, and goes out once. */
    const outbox = untrack(
        () =>
            new Outbox<TrialView>({
                store: `apalos.trial.${String(sent.id)}`,
                url: `/trials/${String(sent.id)}/facts`,
                took: (view) => (told.view = view),
                trouble: (says) => (trouble = says),
            }),
    );
    onMount(() => void outbox.flush());
    let shows = $state(false);
    const which = $derived(shows || trial.ended);
    let ending = $state(false);

    async function end(): Promise<void> {
        if (!ending) {
            ending = true;
            return;
        }
        if (await outbox.settled()) {
            await told.tell('ended');
            ending = false;
        } else {
            trouble = 'Some cups are still on their way to the bench computer. End it when they are there.';
        }
    }
    let into = $state('');
    let cause = $state('');
    let version = $state('');
    let scale = $state('A');
    let readings = $state('');
    let said = $state<string | null>(null);
    let wrong = $state<string | null>(null);

    async function become(): Promise<void> {
        const answer = await make<TrialView & { said: string }>(`/trials/${String(trial.id)}/become`, {
            what: into,
            ...(into === 'faults' ? { cause } : {}),
            ...(into === 'hardness'
                ? {
                      version: Number(version),
                      scale,
                      readings: readings
                          .split(/[\s;,]+/)
                          .filter((r) => r !== '')
                          .map(Number),
                  }
                : {}),
        });
        wrong = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            said = answer.data.said;
            told.view = answer.data;
        }
    }
    const became: Record<string, string> = { contacts: 'under Contacts', hardness: 'in the drawer', faults: 'among your causes' };
</script>

<svelte:head><title>{trial.name} · Trial · Apalos</title></svelte:head>

<p class="quiet"><a class="link inline-flex min-h-11 items-center" href="/faults">{texts.whatGoesWrong}</a></p>
<h1 class="text-4xl">{trial.name}</h1>
<p class="quiet">
    {trial.variants.length} variants, {trial.cups} cups of each, {measure(trial.cup_g, 'mass', bench.units)} a cup,
    {measure(trial.all_g, 'mass', bench.units)} in all{trial.base === null ? '' : ` of ${trial.base}`}{trial.surface === null
        ? ''
        : ` on ${trial.surface}`} · {dayAndTime(trial.at_ms)}
</p>
{#if trial.note !== null}<p>{trial.note}</p>{/if}
{#if !trial.ended && trial.batch.length > 0}<p class="mt-2">
        One batch for all of them, poured at once: {trial.batch
            .map((part) => `${measure(part.grams, 'mass', bench.units, 1)} ${part.name}`)
            .join(' and ')}.
    </p>{/if}
<ul class="mt-1">
    {#each trial.variants as variant (variant.name)}<li>
            <b>{variant.name}</b>{variant.alone ? ', left alone' : ''}{variant.release === null
                ? ''
                : `, ${variant.release}`}{variant.vacuum_min ? `, ${minutes(variant.vacuum_min)} under vacuum` : ''}{variant.pot_min
                ? `, ${minutes(variant.pot_min)} in the pot`
                : ''}{which
                ? `: cups ${trial.labels
                      .filter((cup) => trial.variants[cup.variant]?.name === variant.name)
                      .map((cup) => cup.label)
                      .join(', ')}`
                : ''}
        </li>{/each}
</ul>

<p class="verdict {trial.verdict.word}" role="status">{trial.verdict.says}</p>

<Cups {trial} {outbox} shown={which} />
{#if !trial.ended}<p class="mt-3">
        <button class="btn btn-ghost" aria-expanded={which} onclick={() => (shows = !shows)}
            >{which ? texts.hideWhichCupIsWhich : texts.showWhichCupIsWhich}</button
        >
    </p>{/if}
{#if outbox.waiting > 0}<p class="quiet" role="status">{outbox.waiting} kept on this device, not yet on the bench computer.</p>{/if}
<Aside {outbox} />
{#if trial.verdict.pairs.length > 0}
    <section class="mt-5" aria-label={texts.twoByTwo}>
        <h2 class="text-2xl">{texts.twoByTwo}</h2>
        <ul>
            {#each trial.verdict.pairs as pair (pair.one + pair.other)}<li class="py-1">
                    <b>{pair.one}</b> against <b>{pair.other}</b>{pair.left_alone ? ', which was left alone' : ''}: better in {figure(
                        100 * pair.beats,
                        'percent',
                        'metric',
                        0,
                    )} of 100 pairs of cups; chance alone would do as much in {figure(100 * pair.corrected, 'percent', 'metric', 1)} of 100 cases.
                </li>{/each}
        </ul>
    </section>
{/if}
<Wrong says={told.trouble ?? trouble ?? wrong} />

<p class="mt-4 flex flex-wrap gap-2">
    {#if !trial.ended}<button class="btn btn-primary" disabled={told.busy} onclick={() => void end()}
            >{ending ? texts.nothingIsChangedAfterThatEnd : texts.thatIsAllOfIt}</button
        >{/if}
    {#if trial.take_back !== null && trial.became === null}<button
            class="btn btn-ghost"
            disabled={told.busy}
            onclick={() => void told.tell('undone', { of: trial.take_back })}>{texts.takeBackTheLast}</button
        >{/if}
</p>

{#if trial.ended}
    <section class="mt-6 grid max-w-xl gap-3" aria-label={texts.whatBecomesOfIt}>
        <h2 class="text-2xl">{texts.whatBecomesOfIt}</h2>
        {#if trial.became !== null}
            <p>It is written down {became[trial.became] ?? ''}. {said ?? ''}</p>
        {:else}
            <Choice label={texts.itIsAFactFor} bind:value={into}>
                <option value="">{texts.nothingItStaysHere}</option>
                {#if trial.can_be_contact}<option value="contacts">{texts.theContactsWhatCuredOnThe}</option>{/if}
                <option value="hardness">{texts.theHardnessWhatTheGaugeRead}</option>
                <option value="faults">{texts.theFaultsWhatWasBehindBad}</option>
            </Choice>
            {#if into === 'faults'}<Choice label={texts.itConfirms} bind:value={cause}>
                    <option value="">{texts.chooseACause}</option>
                    {#each Object.entries(trial.causes) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                </Choice>{/if}
            {#if into === 'hardness'}
                <Choice label={texts.theBetterCupsWereOf} bind:value={version}>
                    <option value="">{texts.chooseAFormula}</option>
                    {#each trial.formulas as formula (formula.id)}<option value={String(formula.id)}>{formula.name}</option>{/each}
                </Choice>
                <Choice label={texts.scale} bind:value={scale}><option>00</option><option>A</option></Choice>
                <TextLine label={texts.theGaugeRead} fig placeholder="24 25 24" bind:value={readings} />
            {/if}
            {#if into !== ''}<p><button class="btn btn-primary" onclick={() => void become()}>{texts.writeItDownThere}</button></p>{/if}
        {/if}
    </section>
{/if}

<style>
    .verdict {
        margin: 1rem 0;
        padding: 0.8rem 1.1rem;
        border-radius: var(--radius-box);
        background: var(--color-secondary);
        font-size: 1.25rem;
        border-left: 6px solid var(--color-base-300);
    }
    .verdict.sure {
        border-left-color: var(--color-success);
    }
    .verdict.leans {
        border-left-color: var(--color-warning);
    }
</style>
