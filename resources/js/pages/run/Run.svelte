<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { refused } from '../../lib/refused';
    import { Typing } from '../../lib/typing.svelte';
    import { onMount, tick, untrack } from 'svelte';
    import { stepAloud } from '../../lib/aloud';
    import { awake } from '../../lib/awake';
    import { away } from '../../lib/away.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { Kept } from '../../lib/kept.svelte';
    import { LiveRun } from '../../lib/run.svelte';
    import { Steady } from '../../lib/steady.svelte';
    import { early } from '../../lib/early';
    import { practice } from '../../lib/practice.svelte';
    import { say } from '../../lib/tablet.svelte';
    import { takesBack } from '../../lib/takeBack';
    import { decimalsOf, measure } from '../../lib/units';
    import Cautions from '../../parts/Cautions.svelte';
    import MixingCup from '../../parts/MixingCup.svelte';
    import Observations from '../../parts/Observations.svelte';
    import StandInHand from '../../parts/StandInHand.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { AheadView, RunView } from '../../types/server';
    import Aside from '../../parts/Aside.svelte';
    import Clashing from '../../parts/Clashing.svelte';
    import ScaleTrouble from '../../parts/ScaleTrouble.svelte';
    import Actions from './Actions.svelte';
    import CupClocks from './CupClocks.svelte';
    import CupLabel from './CupLabel.svelte';
    import Earlier from './Earlier.svelte';
    import GiveUp from './GiveUp.svelte';
    import type { Grading } from './GradeStep.svelte';
    import HeatHow from './HeatHow.svelte';
    import NoteDialog from './NoteDialog.svelte';
    import Noted from './Noted.svelte';
    import { nextOf } from './next';
    import PotClock from './PotClock.svelte';
    import RestOfCup from './RestOfCup.svelte';
    import TheStep from './TheStep.svelte';
    import Where from './Where.svelte';
    import * as texts from './texts';

    let { run: sent, hurts = [], ahead = null }: { run: RunView; hurts?: string[]; ahead?: AheadView | null } = $props();
    const live = untrack(() => new LiveRun(sent, ahead, away.since !== null));
    const run = $derived(live.run);
    const kind = $derived(run.step.kind);
    const kept = untrack(() => new Kept(sent.pour_id));
    // What is kept beside it changes with the steps, not with every gram.
    $effect(() => {
        void [run.step.kind, run.step.batch];
        void kept.look();
    });
    let typing = $state(false);
    // The scale speaks, unless it is lost, serves another, or the maker would rather type.
    const scaled = $derived(live.scale.speaks && !typing);
    const steady = new Steady();

    let byHand = $state<number | string | null>(null);
    let armed = $state(false);
    let noting = $state(false);
    let givingUp = $state(false);
    const ended = $derived(kind === 'done' || kind === 'given_up');
    const graded = new Typing<Grading>(
        untrack(() => `grade/${String(sent.pour_id)}`),
        { grade: '', faults: [], left_g: null, pieces: 1, note: '', each: [] },
    );
    const grading = graded.value;
    let metSent = '';

    /** The scale is not believed, or serves another: nothing of it is confirmed until that is settled. */
    const blocked = $derived(
        (kind === 'weigh' || kind === 'tare') &&
            !typing &&
            (live.scale.reading.held_by !== null || (kind === 'weigh' && live.scale.reading.trouble !== null)),
    );
    const insideWords = $derived(
        run.cup.fills
            .filter((fill) => fill.poured_g > 0)
            .map((fill) => `${measure(fill.poured_g, 'mass', bench.units, decimalsOf(run.division_g, bench.units))} ${fill.name}`)
            .join(' and ') || null,
    );
    const short = $derived(
        kind === 'weigh' &&
            run.line !== null &&
            (scaled ? live.scale.grams !== null && live.scale.grams < run.line.from : typeof byHand === 'number' && byHand < run.line.from),
    );

    /** Pressed long before it can be so: it is asked once, and the second press counts. */
    let asked = $state('');

    async function go(): Promise<void> {
        const why = asked === run.step.key ? null : early(run, live.was ?? bench.now);
        if (why !== null) {
            asked = run.step.key;
            live.trouble = why;
            return;
        }
        switch (kind) {
            case 'tare':
                return tare(false);
            case 'weigh':
                if (scaled && !live.scale.reading.stable) {
                    // A pour has just stopped: take the reading when it has come to rest.
                    armed = true;
                    return;
                }
                return weigh(false);
            case 'rescue':
                if (run.rescue === null) {
                    return;
                }
                return live.record('rescued', { step: run.step.key });
            case 'wait':
                return live.tell('opened', { step: run.step.key });
            case 'grade':
                if (grading.grade === '') {
                    live.trouble = 'Choose one of the five words first.';
                    return;
                }
                return grade();
            case 'done':
                return;
            default:
                return live.confirm();
        }
    }

    /** Where another weigh-up has the scale, it is only taken when told to. */
    async function tare(take: boolean): Promise<void> {
        if (!(scaled || take) || (await live.scale.tare(take))) {
            return live.confirm();
        }
        live.trouble = live.scale.reading.lost;
    }

    /** What was weighed in, less what is left, is what the mould took. */
    async function grade(): Promise<void> {
        const { left_g: left, each, scrap, ...said } = $state.snapshot(grading);
        const pieces = each.length === said.pieces ? each.map((one) => ({ outcome: one.outcome, fault: one.fault || null })) : [];
        await live.record('graded', {
            step: run.step.key,
            ...said,
            ...(left === null ? {} : { left_g: left }),
            ...(run.scrap === null ? {} : { scrap: scrap ?? run.scrap.worth }),
            ...(pieces.length === 0 ? {} : { each: pieces }),
            used_g: Math.round((run.weighed_g - (typeof left === 'number' ? left : 0)) * 1000) / 1000,
        });
        if (live.trouble === null) {
            graded.forget();
        }
    }

    async function weigh(goShort: boolean): Promise<void> {
        armed = false;
        if (scaled && !live.scale.sound) {
            return;
        }
        const reading = scaled ? live.scale.grams : byHand;
        if (reading === null) {
            live.trouble = live.scale.reading.overload
                ? 'More than the scale can carry. Take the cup off, or type the reading of a larger scale.'
                : 'Type what the scale reads.';
            return;
        }
        const before = run.last_fact_id;
        await live.record('weighed', {
            step: run.step.key,
            reading_g: reading,
            by: scaled ? 'scale' : 'hand',
            stable: live.scale.reading.stable,
            short: goShort,
        });
        if (live.run.last_fact_id !== before) {
            byHand = null;
        }
    }

    // What the step asks for is said once, when it comes.
    let said = '';
    $effect(() => {
        const key = run.step.key;
        if (key !== said) {
            said = key;
            void tick().then(() => say(stepAloud(run, document.querySelector('.centre h1')?.textContent ?? '', bench.units)));
        }
    });

    // What was pressed for one step must not act on the next, whoever moved it on; hearing the same again changes nothing.
    const step = $derived(run.step.key);
    $effect(() => {
        steady.stands(step);
        armed = false;
    });

    // A meets B at the first drops, not when the button is pressed.
    function watch(): void {
        const first = run.cup.display_g + Math.max(1, 5 * run.division_g);
        if (
            kind === 'weigh' &&
            run.meets_now &&
            run.clock.met_ms === null &&
            live.scale.sound &&
            live.scale.grams !== null &&
            live.scale.grams > first &&
            metSent !== run.step.key
        ) {
            metSent = run.step.key;
            void live.record('met');
        }
        if (armed && live.scale.sound && live.scale.reading.stable) {
            void weigh(false);
        }
    }

    onMount(() => {
        live.begin();
        const deaf = live.scale.listen(() => kind === 'weigh' || kind === 'tare', watch);
        const others = setInterval(() => void live.look(), 4000);
        const sleep = awake();
        const drop = screenKeys([
            { press: 'Space', does: 'Confirm this step', run: () => steady.press(() => void go()) },
            { press: 'Backspace', does: 'Take back the last thing', run: () => steady.press(() => void live.takeBack()) },
            { press: 'n', does: 'Note something, or a fault', run: () => (noting = true) },
        ]);
        return () => {
            deaf();
            clearInterval(others);
            sleep();
            drop();
            steady.stop();
        };
    });

    /** Until it is mixed, it may have been poured by its card; what is left of it is told there as well. */
    const byCard = ['gear', 'contacts', 'premix', 'tare', 'weigh', 'mix', 'fill', 'wait'];
    const beforeWeighing = $derived(['gear', 'contacts', 'wait', 'grade', 'done', 'given_up'].includes(kind));
</script>

<svelte:head><title>{run.job}: {run.impression} · Apalos</title></svelte:head>

<div class="run" class:wide={beforeWeighing}>
    {#if !beforeWeighing}
        <div class="left">
            <MixingCup cup={run.cup} live={live.scale.grams} adding={run.line?.add ?? null} target={run.line?.running ?? null} />
        </div>
    {/if}
    <div class="centre" aria-live="polite">
        <p class="quiet">
            <a class="link" href={run.laid ? `/builds/${String(run.build_id)}` : `/jobs/${String(run.job_id)}`}>{run.job}</a> · {run.impression}{run.batches >
                1 && run.step.batch > 0
                ? ` · cup ${String(run.step.batch)} of ${String(run.batches)}`
                : ''}{kind === 'weigh' ? ` · weighing ${String(run.step.weighing + 1)}` : ''} · {run.formula}
        </p>
        <TheStep {live} {kept} {grading} {scaled} bind:byHand bind:typing onconfirm={() => void go()} />
        {#if kind !== 'gear' && run.cautions.length > 0 && !(kind === 'heat' && (run.heat?.readings.length ?? 0) > 0)}<div class="mt-4">
                <Cautions cautions={run.cautions} brief />
            </div>{/if}
        {#if !ended}{#each hurts as hurt (hurt)}<p class="mt-3 max-w-prose border-l-4 border-error pl-3 font-bold" role="alert">
                    Known since this was begun: {hurt} Stop here and give it up.
                </p>{/each}{/if}

        {#if (kind === 'weigh' || kind === 'tare') && !typing}
            <ScaleTrouble
                scale={live.scale}
                division={run.division_g}
                inside={insideWords}
                oncount={(reading, inLine) => void live.count(reading, inLine)}
                ontake={() => void (kind === 'tare' ? tare(true) : live.scale.takeOver())}
                typing="Type the readings"
                ontype={() => (typing = true)}
            />
        {/if}
        <Wrong says={live.trouble} />
        {#if live.outbox.waiting > 0}<p class="mt-1 quiet" role="status">Kept on this device, not yet on the bench computer.</p>{/if}
        {#if live.wants !== null}<p class="mt-2 max-w-prose border-l-4 border-warning pl-3 font-bold" role="alert">{live.wants}</p>{/if}
        <Aside outbox={live.outbox} />
        <Clashing
            {live}
            back={run.take_back === null ? null : { of: run.take_back.of, words: takesBack(run, bench.units), about: run.take_back.about }}
            digits={decimalsOf(run.division_g, bench.units)}
        />
        {#if !ended}
            {#if !blocked}
                <Actions
                    {live}
                    {steady}
                    {armed}
                    {short}
                    onmain={() => void go()}
                    onshort={() => void weigh(true)}
                    onnote={() => (noting = true)}
                />
            {/if}
            {#if kind === 'heat' && run.heat !== null}<HeatHow {run} heat={run.heat} />{/if}
            <p class="quiet mt-3">{nextOf(run)}</p>
            <!-- It comes a moment later: below what is about to be pressed, so that nothing moves under a finger. -->
            {#if ['gear', 'contacts', 'premix', 'wait'].includes(kind)}<Where {live} {kept} />{/if}
            {#if kind === 'fill' || kind === 'wait'}<RestOfCup {live} {kept} />{/if}
            {#if kind === 'mix' || kind === 'heat' || kind === 'degas' || kind === 'fill' || kind === 'wait' || kind === 'premix' || kind === 'grade'}<Earlier
                    {live}
                />{/if}
            <p class="flex flex-wrap gap-x-6">
                {#if run.may_plan}<button class="link quiet min-h-14" onclick={() => router.post(`/pours/${String(run.pour_id)}/plan`)}
                        >{texts.backToThePlan(run.weighed_g > 0 ? texts.withWhatIsInTheCup : '')}</button
                    >{/if}
                <button class="link quiet" onclick={() => (givingUp = true)}>{texts.giveThisPourUpHeading}</button>
                {#if practice.id === null && byCard.includes(kind)}<a
                        class="link quiet grid min-h-14 items-center"
                        href="/pours/{run.pour_id}/card">{texts.typeTheCardIn}</a
                    >{/if}
            </p>
            <Wrong says={refused('plan')} />
        {:else if run.take_back !== null}
            <p class="mt-4">
                <button class="btn btn-ghost btn-sm" onclick={() => void live.takeBack()}
                    >{texts.takeBack(
                        kind === 'given_up'
                            ? texts.givingItUp
                            : run.laid
                              ? texts.theLastStep
                              : run.take_back.kind === 'diagnosed'
                                ? texts.whatItWas
                                : texts.theGrading,
                    )}</button
                >
            </p>
        {/if}
        {#if bench.frame?.simulated && (kind === 'weigh' || kind === 'tare')}<StandInHand target={run.line?.running ?? null} />{/if}
        <Noted {run} />
    </div>
    {#if !beforeWeighing}<div class="right">
            <PotClock {run} /><Observations base={run.base_code} begun /><CupClocks {run} /><CupLabel {run} />
        </div>{/if}
</div>

<GiveUp bind:open={givingUp} {live} />
<NoteDialog bind:open={noting} faults={run.faults} onnote={(text, fault) => void live.note(text, fault)} />

<style>
    .run {
        display: grid;
        grid-template-columns: minmax(15rem, 1fr) minmax(0, 2fr) 13rem;
        gap: 1.5rem 2rem;
        align-items: start;
    }
    .run.wide {
        grid-template-columns: minmax(0, 60rem);
        justify-content: center;
    }
    @media (max-width: 1000px) {
        .run {
            grid-template-columns: minmax(8rem, 1fr) auto;
        }
        .centre {
            grid-column: 1 / -1;
            grid-row: 2;
        }
        .left :global(svg) {
            max-height: 26vh;
        }
    }
    @media (max-width: 500px) {
        .run {
            gap: 0.5rem 1rem;
        }
        .run :global(h1) {
            font-size: 1.6rem;
        }
        .left :global(svg) {
            max-height: 14vh;
        }
    }
</style>
