<script lang="ts">
    /** Heated in steps: how long since the last stir, how warm it was read, and from when on it may come off. */
    import { onMount } from 'svelte';
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { figure, measure, sign, span, type Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import * as texts from './texts';

    type Props = { live: LiveRun; heat: NonNullable<LiveRun['run']['heat']> };
    let { live, heat }: Props = $props();
    const run = $derived(live.run);
    const last = $derived(heat.readings.at(-1) ?? null);
    const left = $derived((last?.at_ms ?? run.step_since_ms) + heat.step_ms - bench.now);
    const band = $derived(`${figure(heat.from_c, 'temperature', bench.units, 0)} – ${measure(heat.to_c, 'temperature', bench.units, 0)}`);
    const says: Record<string, string> = {
        unread: 'Stir it and read it after each step.',
        below: 'Not yet: it is milky, and weak if it is poured now.',
        right: 'It runs clear: it may come off.',
        above: 'A little warm: off the heat, stir, and let it fall to its best.',
        over: 'It has scorched: heat off first, then out, then air. Throw it away once it is cold.',
    };

    let typed = $state<Entry>(null);
    let probe = $state<{ celsius: number | null; lost: string | null } | null>(null);
    const probed = $derived(bench.frame?.probe === true);

    async function write(c: Entry, by: string): Promise<void> {
        if (typeof c === 'number') {
            await live.record('heated', { step: run.step.key, c, by }, `${by}${String(c)}${String(heat.readings.length)}`);
            if (live.trouble === null) {
                typed = null;
            }
        }
    }

    onMount(() => {
        if (!probed) {
            return;
        }
        const look = async (): Promise<void> => {
            const answer = await ask<{ celsius: number | null; lost: string | null }>('GET', '/devices/probe');
            probe = answer.ok ? answer.data : null;
        };
        void look();
        const every = setInterval(() => void look(), 1500);
        return () => clearInterval(every);
    });
</script>

<h1 class="text-4xl">{run.worked.mix.title}</h1>
<p class="facts">
    <span class="time fig" class:up={left <= 0} role="timer" aria-label={texts.untilTheNextStir}
        >{left > 0 ? span(left) : `+${span(-left)}`}</span
    >
    <span class="grid">
        <b class="fig degrees {heat.stands}" data-testid="heat">{last === null ? '–' : measure(last.c, 'temperature', bench.units, 0)}</b>
        <span class="quiet">best at {band}, never over {measure(heat.over_c, 'temperature', bench.units, 0)}</span>
    </span>
</p>
<p class="text-lg {heat.stands === 'over' ? 'font-bold text-error' : ''}" role="status">{says[heat.stands]}</p>
<form
    class="read"
    onsubmit={(event) => {
        event.preventDefault();
        void write(typed, 'hand');
    }}
>
    {#if probed}
        <button type="button" class="btn big" disabled={probe?.celsius == null} onclick={() => void write(probe?.celsius ?? null, 'probe')}
            >{probe?.celsius == null
                ? (probe?.lost ?? texts.askingTheProbe)
                : texts.stirredTheProbeReads(measure(probe.celsius, 'temperature', bench.units, 0))}</button
        >
    {/if}
    <Measure label={texts.itReads} kind="temperature" bind:value={typed} suffix={sign('temperature', bench.units)} />
    <button class="btn big" disabled={typeof typed !== 'number'}>{probed ? texts.writeItDown : texts.stirredWriteItDown}</button>
</form>
{#if live.doubted !== null && live.doubted.fact.away !== true && live.doubted.fact.kind === 'confirmed'}
    <section class="doubt" role="alert" aria-label={texts.isItReallyOffTheHeat}>
        <p><b>{live.doubted.why}</b></p>
        <p class="mt-2 flex flex-wrap gap-2">
            <button class="btn big" onclick={() => (live.doubted = null)}>{texts.notYet}</button>
            <button
                class="btn big"
                onclick={() => {
                    live.doubted = null;
                    void live.record('confirmed', { step: run.step.key, sure: true }, 'sure');
                }}>{texts.itIsOffTheHeatAll}</button
            >
        </p>
    </section>
{/if}

<style>
    .facts {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.4rem 2.5rem;
    }
    .time {
        font-size: clamp(3.6rem, 9vw, 6rem);
        font-weight: 700;
        line-height: 1.15;
    }
    .time.up {
        color: var(--color-success);
    }
    .degrees {
        font-size: 2.8rem;
        line-height: 1.1;
    }
    .degrees.right {
        color: var(--color-success);
    }
    .degrees.above,
    .degrees.below {
        color: var(--color-warning);
    }
    .degrees.over {
        color: var(--color-error);
    }
    .read {
        display: flex;
        flex-wrap: wrap;
        align-items: end;
        gap: 0.6rem;
        margin: 0.8rem 0;
    }
    .big {
        min-height: 3.5rem;
        height: auto;
    }
    .doubt {
        border-left: 6px solid var(--color-warning);
        padding: 0.4rem 0 0.4rem 1.1rem;
        max-width: 60ch;
    }
</style>
