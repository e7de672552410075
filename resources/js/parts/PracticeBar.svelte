<script lang="ts">
    /** The bench of a practice beside its screen: what is in the hand, what happens, what one can do, and how its time runs. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { ask } from '../lib/api';
    import { bench } from '../lib/bench.svelte';
    import { acts, AT_THE_SCALE, practice } from '../lib/practice.svelte';
    import { refused } from '../lib/refused';
    import { minutes } from '../lib/units';
    import { clockTime } from '../lib/when';
    import type { PracticeBenchView } from '../types/server';
    import Wrong from './Wrong.svelte';
    import * as texts from './PracticeBar.texts';

    let { id, name }: { id: number; name: string } = $props();
    let seen = $state<PracticeBenchView | null>(null);
    let trouble = $state<string | null>(null);
    let ending = $state(false);
    /** One thing after the other: what is done now is done at the minute the one before it left. */
    let busy = $state(false);

    /** How tall it is, and its last line with the stripes round it. */
    let whole = $state(0);
    let line = $state(0);
    const STRIPES_PX = 16;
    const lastLine = $derived(line + STRIPES_PX);

    const rates = [1, 10, 60];
    const last = $derived(seen?.said.at(-1) ?? null);
    const calls = $derived(bench.frame?.practice?.calls ?? []);

    async function look(): Promise<void> {
        if (document.visibilityState === 'visible' && !busy) {
            took(await ask<PracticeBenchView>('GET', '/practice/bench'));
        }
    }

    function took(answer: Awaited<ReturnType<typeof ask<PracticeBenchView>>>): boolean {
        if (answer.ok) {
            seen = answer.data;
            practice.lid = answer.data.lid;
            practice.hand = answer.data.acts.filter((act) => AT_THE_SCALE.includes(act));
            trouble = null;
            bench.paces(answer.data.now_ms, answer.data.rate);
        } else if (!answer.offline) {
            trouble = answer.wrong.message;
        }
        return answer.ok;
    }

    async function does(what: { act: string } | { rate: number } | { jump_min: number }): Promise<void> {
        if (busy) {
            return;
        }
        busy = true;
        const isTold = took(await ask<PracticeBenchView>('POST', '/practice/bench', what));
        busy = false;
        if (isTold && !('rate' in what)) {
            // What the clock opened meanwhile is shown at once.
            router.reload();
        }
    }

    onMount(() => {
        practice.does = (act) => void does({ act });
        void look();
        const timer = setInterval(() => void look(), 1000);
        return () => {
            clearInterval(timer);
            [practice.lid, practice.hand] = [null, []];
        };
    });
</script>

<!-- Scrolled, its last line stays: what it is, what time it is there, what happens, and what one can do about it. -->
<aside class="practice" aria-label={texts.practice} bind:offsetHeight={whole} style:top="{lastLine - whole}px">
    <div class="does">
        <div class="time" role="group" aria-label={texts.time}>
            {#each rates as rate (rate)}
                <button class="btn btn-sm" disabled={busy} aria-pressed={seen?.rate === rate} onclick={() => void does({ rate })}
                    >{rate === 1 ? texts.asItRuns : `${String(rate)}×`}</button
                >
            {/each}
            <button class="btn btn-sm" disabled={busy} onclick={() => void does({ jump_min: 1 })}>{texts.n1Min}</button>
            <button class="btn btn-sm" disabled={busy} onclick={() => void does({ jump_min: 10 })}>{texts.n10Min}</button>
            {#if seen?.idle === true}
                <button class="btn btn-sm" disabled={busy} onclick={() => void does({ jump_min: 60 })}>+1 h</button>
                <button class="btn btn-sm" disabled={busy} onclick={() => void does({ jump_min: 1440 })}>{texts.n1Day}</button>
            {/if}
            {#if seen?.next_ms !== null && seen?.next_ms !== undefined && seen.next_ms > bench.now}
                {@const left = (seen.next_ms - bench.now) / 60_000}
                <button class="btn btn-sm" disabled={busy} onclick={() => void does({ jump_min: left })}
                    >{texts.toWhatComesNext(minutes(left))}</button
                >
            {/if}
        </div>
        <div class="acts">
            {#if ending}
                <button class="btn btn-primary" onclick={() => router.post(`/practice/tries/${String(id)}/end`)}>{texts.yesEndIt}</button>
                <button class="btn btn-ghost" onclick={() => (ending = false)}>{texts.goOn}</button>
            {:else}
                <button class="btn btn-ghost" onclick={() => (ending = true)}>{texts.endWhatItCameTo}</button>
            {/if}
        </div>
    </div>
    <div class="ribbon" bind:offsetHeight={line}>
        <p class="head">
            <strong>Practice</strong> <span>{name}</span>
            <span class="fig clock">{clockTime(bench.now)}</span>
        </p>
        <p class="said" role="status">
            {#if last !== null}<span>{last.text}</span>{/if}
        </p>
        <div class="acts">
            {#each (seen?.acts ?? []).filter((act) => !AT_THE_SCALE.includes(act)) as act (act)}
                <button class="btn" disabled={busy} class:btn-accent={act === 'go' || act === 'stay'} onclick={() => void does({ act })}
                    >{acts[act] ?? act}{act === 'go' && seen?.calling_min !== null && seen !== null
                        ? `, ${minutes(seen.calling_min)}`
                        : ''}</button
                >
            {/each}
        </div>
        <Wrong says={trouble ?? refused('practice')} />
    </div>
</aside>
{#each calls as call (call.href + String(call.at_ms))}
    <p class="real" role="alert">
        At the real bench: <a class="link" href={call.href}>{call.title}, {call.what}</a>. This practice waits meanwhile.
    </p>
{/each}

<style>
    .practice {
        position: sticky;
        z-index: 12;
        padding-inline: 2rem;
        border-block: 0.5rem solid transparent;
        border-image: repeating-linear-gradient(-45deg, var(--color-accent) 0 0.7rem, var(--color-base-200) 0.7rem 1.4rem) 8;
        background: var(--color-base-200);
    }
    .head {
        display: flex;
        flex-wrap: wrap;
        gap: 0.2rem 0.8rem;
        align-items: baseline;
    }
    .head strong {
        text-transform: uppercase;
        letter-spacing: 0.08em;
    }
    .does,
    .time,
    .acts,
    .ribbon {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem;
    }
    .does {
        justify-content: space-between;
        align-items: center;
        padding-block: 0.4rem;
    }
    .ribbon {
        gap: 0.1rem 1.5rem;
        align-items: center;
        padding-block: 0.3rem 0.5rem;
    }
    .time button[aria-pressed='true'] {
        background: var(--color-neutral);
        color: var(--color-neutral-content);
    }
    .said {
        display: flex;
        flex-wrap: wrap;
        gap: 0.2rem 1rem;
        align-items: baseline;
        font-size: 1.125rem;
    }
    .btn {
        min-height: 2.75rem;
    }
    .acts .btn {
        min-height: 3.5rem;
    }
    .real {
        border-left: 4px solid var(--color-error);
        margin: 0.5rem 2rem 0;
        padding-left: 0.75rem;
        font-weight: 700;
    }
    @media (max-width: 820px) {
        .practice {
            padding-inline: 1rem;
        }
        /* The tools of the frame float over its end. */
        .ribbon {
            padding-right: 4.5rem;
        }
    }
    @media print {
        .practice {
            border-image: none;
            border-block: 2px solid;
        }
    }
</style>
