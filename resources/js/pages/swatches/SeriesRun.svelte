<script lang="ts">
    /** A series on the bench: weighed up one thing after the other, then labelled. It is the same on every screen. */
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import { LiveSeries } from '../../lib/series.svelte';
    import { decimalsOf, figure, measure } from '../../lib/units';
    import Aside from '../../parts/Aside.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Working from '../../parts/Working.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { SeriesRunView } from '../../types/server';
    import Heading from './Heading.svelte';
    import SeriesClock from './SeriesClock.svelte';
    import WeighNext from './WeighNext.svelte';
    import WeighUp from './WeighUp.svelte';
    import * as texts from './texts';

    let { run: sent }: { run: SeriesRunView } = $props();
    const live = untrack(() => new LiveSeries(sent));
    const run = $derived(live.run);
    const plan = $derived(run.plan);
    const fine = $derived(decimalsOf(run.division_g, bench.units));
    const url = $derived(`/swatches/series/${String(run.id)}`);
    let name = $state('');

    const into = $derived.by(() => {
        const filled = plan.pucks.find((_, i) => run.next?.vessel === `puck-${String(i + 1)}`);
        if (filled !== undefined) {
            return `the ${figure(filled.wanted_pct, 'percent', 'metric')} % puck`;
        }
        return plan.cups.length === 1
            ? 'the cup they all come from'
            : `the ${plan.cups.find((cup) => cup.code === run.next?.vessel)?.name ?? ''}`;
    });

    /** What stands in the vessel on the scale. */
    const inside = $derived.by(() => {
        const grams = (run.grams[run.on] ?? []).reduce((sum: number, g) => sum + (g ?? 0), 0);
        return grams > 0 ? measure(grams, 'mass', bench.units, fine) : null;
    });

    /** What was written last is on its way when the button is pressed: it belongs on the labels too. */
    async function label(): Promise<void> {
        if (await live.outbox.settled()) {
            router.post(`${url}/label`, { name });
        } else {
            live.trouble = 'The bench computer does not know yet all that is in. Label them as soon as it answers.';
        }
    }

    let hand = $state<WeighNext>();
    onMount(() => {
        void live.outbox.flush();
        const others = setInterval(() => void live.look(), 2500);
        const drop = screenKeys([
            { press: 'Space', does: 'The scale: tare, or it is in', run: () => void hand?.go() },
            { press: 'Backspace', does: 'Take back what went in last', run: () => void live.takeBack() },
        ]);
        return () => {
            clearInterval(others);
            drop();
        };
    });
</script>

<Heading title={texts.pucksOf(run.called)} />

<div class="screen">
    <section class="card-paper" aria-label={texts.whatToWeigh}>
        {#if bench.frame?.scale === true}
            <WeighNext
                bind:this={hand}
                scale={live.scale}
                next={run.next}
                fresh={live.outbox.idle}
                {into}
                division={run.division_g}
                {inside}
                on={run.on}
                takesBack={run.take_back === null
                    ? null
                    : `${measure(run.take_back.grams, 'mass', bench.units, fine)} ${run.take_back.name}`}
                oncount={(reading, inLine) => void live.count(reading, inLine)}
                ontared={(vessel) => void live.tared(vessel)}
                onput={(reading) => void live.put(reading)}
                onmeet={() => void live.met()}
                onback={() => void live.takeBack()}
            />
        {/if}
        <Wrong says={live.trouble} />
        {#if live.outbox.waiting > 0 && live.trouble !== null}<p class="quiet" role="status">
                Kept on this device, not yet on the bench computer.
            </p>{/if}
        <Aside outbox={live.outbox} />
        <WeighUp {plan} {fine} grams={run.grams} next={run.next} onwrite={(vessel, line, grams) => void live.write(vessel, line, grams)}>
            <SeriesClock
                met={run.met_ms}
                until={run.fills_until_ms}
                allMin={run.usable_min}
                onmet={(is) => void (is ? live.met() : live.unmet())}
            />
        </WeighUp>
    </section>
    <section class="grid gap-3 content-start" aria-label={texts.labelling}>
        <p class="quiet">
            Where the display showed something else, write that: the label says what is really in it. What is not written down counts as
            planned. Gloves on, and the supplier’s sheet first.
        </p>
        <Warnings warnings={plan.warnings} />
        <form
            class="grid gap-3"
            onsubmit={(event) => {
                event.preventDefault();
                void label();
            }}
        >
            <TextLine label={texts.onTheLabels} placeholder={run.called} bind:value={name} maxlength={80} />
            <button class="btn btn-primary">{texts.pouredLabelThem}</button>
        </form>
        <Wrong says={refused('series')} />
        <Working lines={plan.working} />
        <p><button class="btn btn-ghost btn-sm" onclick={() => router.delete(url)}>{texts.takeItOffTheBench}</button></p>
    </section>
</div>

<style>
    .screen {
        display: grid;
        grid-template-columns: minmax(0, 1.7fr) minmax(16rem, 0.7fr);
        gap: 1.5rem;
        margin-top: 0.6rem;
        align-items: start;
    }
    @media (max-width: 1000px) {
        .screen {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
