<script lang="ts">
    import { ask } from '../lib/api';
    import { acts, practice } from '../lib/practice.svelte';
    import * as texts from './StandInHand.texts';

    /** The hand that pours onto the stand-in scale: there is no real one to pour onto. */
    let { target }: { target: number | null } = $props();
    let rate = $state(12);
    let pouring = $state(false);

    const hand = (line: string): Promise<unknown> => ask('POST', '/devices/scale/hand', { line });

    function start(event: Event): void {
        event.preventDefault();
        if (!pouring) {
            pouring = true;
            void hand(`>${String(rate)}`);
        }
    }

    function stop(): void {
        if (pouring) {
            pouring = false;
            void hand('|');
        }
    }

    function toTheLine(event: MouseEvent & { currentTarget: HTMLButtonElement }): void {
        // Pressed with a pointer it is done with: the next Space confirms the step, and pours nothing more.
        if (event.detail > 0) {
            event.currentTarget.blur();
        }
        if (target !== null) {
            void hand(`=${target.toFixed(2)}`);
        }
    }
</script>

<svelte:window onpointerup={stop} onblur={stop} />
<aside class="hand" aria-label={texts.standInScale}>
    {#if practice.lid !== null}<span class="lid">In your hand: <b>{practice.lid}</b></span>{:else}<span class="quiet text-sm"
            >Stand-in scale</span
        >{/if}
    <button
        class="btn btn-sm"
        class:btn-accent={pouring}
        onpointerdown={start}
        onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && start(e)}
        onkeyup={stop}>{texts.holdToPour}</button
    >
    <label class="grid min-h-11 place-items-center text-sm"
        ><span class="sr-only">{texts.howFast}</span><input
            class="range range-xs w-24"
            type="range"
            min="2"
            max="60"
            bind:value={rate}
            aria-label={texts.howFastItPours}
        /></label
    >
    <button class="btn btn-sm btn-ghost" onclick={toTheLine} disabled={target === null}>{texts.toTheLine}</button>
    <button class="btn btn-sm btn-ghost" onclick={() => hand('T')}>{texts.itsTareKey}</button>
    <button class="btn btn-sm btn-ghost" onclick={() => hand('CLR')}>{texts.clearThePan}</button>
    {#each practice.hand as act (act)}<button class="btn" onclick={() => practice.does(act)}>{acts[act] ?? act}</button>{/each}
</aside>

<style>
    .lid {
        border: 1.5px solid var(--color-neutral);
        border-radius: 0.4rem;
        padding: 0.1rem 0.6rem;
        background: var(--color-secondary);
    }
    .hand {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.4rem 0.7rem;
        border: 1.5px dashed var(--color-base-300);
        border-radius: 1rem;
        padding: 0.35rem 0.9rem;
        margin-top: 1rem;
        width: fit-content;
    }
</style>
