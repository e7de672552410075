<script lang="ts">
    /** What a hand can do at this step: one large action, and what else is possible. */
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import type { Steady } from '../../lib/steady.svelte';
    import { takesBack } from '../../lib/takeBack';
    import * as texts from './texts';

    type Props = {
        live: LiveRun;
        steady: Steady;
        /** The reading is taken as soon as the display rests. */
        armed: boolean;
        /** Less than the line is in, and it may stay so. */
        short: boolean;
        onmain: () => void;
        onshort: () => void;
        onnote: () => void;
    };
    let { live, steady, armed, short, onmain, onshort, onnote }: Props = $props();
    const run = $derived(live.run);
    const kind = $derived(run.step.kind);

    const actions: Record<string, string> = {
        gear: 'I have it on',
        contacts: 'Every contact is ready',
        premix: 'All stirred',
        tare: 'Tare, and go on',
        weigh: 'It is in',
        rescue: 'Rescue the cup',
        mix: 'It is mixed',
        heat: 'Off the heat',
        degas: 'It is de-aired',
        fill: 'It is in the mould',
        wait: 'I have opened it',
        grade: 'Keep it in the log',
    };
</script>

<div class="actions">
    <button
        class="btn btn-primary big main"
        disabled={kind === 'rescue' && run.rescue === null}
        aria-disabled={steady.resting}
        onclick={() => steady.press(onmain)}
        >{armed
            ? texts.waitingForItToRest
            : kind === 'fill'
              ? (run.worked.fill.done ?? actions.fill)
              : kind === 'heat'
                ? (run.worked.mix.done ?? actions.heat)
                : actions[kind]}
        <kbd class="kbd text-base-content">Space</kbd></button
    >
    {#if kind === 'rescue'}<button
            class="btn big"
            aria-disabled={steady.resting}
            onclick={() => steady.press(() => void live.record('kept', { step: run.step.key }))}>{texts.leaveItAsItIs}</button
        >{/if}
    {#if kind === 'fill' && run.heat !== null}<button
            class="btn big"
            aria-disabled={steady.resting}
            onclick={() => steady.press(() => void live.record('reheated', { step: run.step.key }))}>{texts.backOnTheHeat}</button
        >{/if}
    {#if short}<button class="btn big" aria-disabled={steady.resting} onclick={() => steady.press(onshort)}>{texts.goOnShort}</button>{/if}
    {#if run.take_back !== null}<button
            class="btn big"
            aria-disabled={steady.resting}
            onclick={() => steady.press(() => void live.takeBack())}>{texts.takeBack(takesBack(run, bench.units))}</button
        >{/if}
    <button class="btn big" onclick={onnote}>{texts.note}</button>
</div>

<style>
    .actions {
        display: flex;
        flex-wrap: wrap;
        gap: 0.7rem;
        margin-top: 1.25rem;
    }
    .main {
        min-width: 16rem;
        min-height: 4.5rem;
        font-size: 1.3rem;
    }
    .actions .btn:not(.main) {
        min-height: 4.5rem;
    }
    [aria-disabled='true'] {
        opacity: 0.6;
    }
</style>
