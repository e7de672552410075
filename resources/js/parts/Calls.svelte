<script lang="ts">
    /** What is called out: hands that are needed now, and what the last page left to be said. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { bench } from '../lib/bench.svelte';
    import { knock } from '../lib/sound';
    import { say } from '../lib/tablet.svelte';
    import { when } from '../lib/when';
    import type { FrameView } from '../types/server';
    import * as texts from './Calls.texts';

    type Call = FrameView['strip']['calls'][number];
    type Props = { said: string | null; undo: string | null; onward: { words: string; href: string } | null };
    let { said, undo, onward }: Props = $props();

    const LATE_MS = 90_000;
    let heard: string[] = [];
    let ringing = $state<Call[]>([]);

    const call = $derived(ringing.at(-1));
    const named = (call: Call): string => `${call.id} ${call.what} ${String(Math.round(call.at_ms / 5000))}`;

    // A call that comes due while this page is open rings once; what was due before it opened stands on the bench anyway.
    function listen(): void {
        const due = (bench.frame?.strip.calls ?? []).filter((call) => call.at_ms <= bench.now && call.at_ms > bench.now - LATE_MS);
        for (const call of due) {
            if (!heard.includes(named(call))) {
                heard = [...heard.slice(-50), named(call)];
                ringing = [...ringing.filter((r) => r.id !== call.id), call];
                if (!bench.muted) {
                    knock();
                    say(`${call.title}: ${call.what}.`);
                }
            }
        }
    }

    onMount(() => {
        heard = (bench.frame?.strip.calls ?? []).filter((call) => call.at_ms < bench.now).map(named);
        const second = setInterval(listen, 500);
        return () => clearInterval(second);
    });
</script>

<!-- Over the head of the page, never in it, and one at a time: what comes by itself must not move, nor lie on, what a finger is about to press. -->
<div aria-live="assertive" class="calls ringing">
    {#if call !== undefined}
        <p class="call">
            <span class="words"
                ><a class="link font-bold" href={call.href}>{call.title}</a>: {call.event_ms === null || call.event_ms <= bench.now
                    ? call.what.toLowerCase()
                    : `${(call.event ?? '').toLowerCase()} at ${when(call.event_ms, bench.now)}`}.</span
            >
            <button class="btn btn-sm" onclick={() => (ringing = ringing.slice(0, -1))}
                >{texts.iHeard(ringing.length > 1 ? texts.more(ringing.length - 1) : '')}</button
            >
        </p>
    {/if}
</div>
<div aria-live="polite" class="calls">
    {#if said !== null}
        <p class="call said">
            {said}
            {#if onward !== null}<a class="link" href={onward.href}>{onward.words}</a>{/if}
            {#if undo !== null}<button class="btn btn-sm" onclick={() => router.post(undo)}>{texts.undo}</button>{/if}
        </p>
    {/if}
</div>

<style>
    .calls {
        display: grid;
        gap: 0.4rem;
        padding-inline: 2rem;
    }
    .ringing {
        position: fixed;
        inset: 0.25rem 0 auto;
        z-index: 30;
        pointer-events: none;
    }
    .ringing .call {
        padding-block: 0.3rem;
        pointer-events: auto;
        box-shadow: 0 0.3rem 1.2rem rgb(0 0 0 / 0.35);
    }
    .call {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: center;
        background: var(--color-accent);
        color: var(--color-accent-content);
        border-radius: 1rem;
        padding: 0.5rem 1rem;
    }
    .ringing .call {
        flex-wrap: nowrap;
        justify-content: space-between;
    }
    .words {
        overflow: hidden;
        display: -webkit-box;
        -webkit-box-orient: vertical;
        -webkit-line-clamp: 2;
        line-clamp: 2;
        line-height: 1.25;
    }
    .ringing .btn {
        flex: none;
        min-height: 2.75rem;
    }
    .call.said {
        background: var(--color-base-200);
        color: var(--color-base-content);
    }
    @media (max-width: 640px) {
        .calls {
            padding-inline: 1rem;
        }
    }
    @media print {
        .calls {
            display: none;
        }
    }
</style>
