<script lang="ts">
    /** What a clock rests on, one by one; what was a slip is left out, and can be taken back in. */
    import { ask } from '../lib/api';
    import { bench } from '../lib/bench.svelte';
    import { measure, minutes } from '../lib/units';
    import { when } from '../lib/when';
    import type { ObservationsView } from '../types/server';
    import Wrong from './Wrong.svelte';
    import * as texts from './Observations.texts';

    let { base, begun = false }: { base: string; begun?: boolean } = $props();
    let seen = $state<ObservationsView | null>(null);
    let open = $state(false);
    let trouble = $state<string | null>(null);
    const words: Record<string, string> = {
        gel: 'gelled',
        demould: 'opened',
        comes_off: 'comes off',
        tacky: 'tacky, clean glove',
        dry: 'dry',
    };
    type One = ObservationsView['observations'][number];

    async function take(method: 'GET' | 'PUT', url: string, body?: unknown): Promise<void> {
        const answer = await ask<ObservationsView>(method, url, body);
        trouble = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            seen = answer.data;
        }
    }
    async function show(): Promise<void> {
        open = !open;
        if (open) {
            await take('GET', `/clock/${base}`);
        }
    }
    async function set(one: One, out: boolean): Promise<void> {
        if (one.of === 'gel') {
            await take('PUT', `/clock/gels/${String(one.id)}`, { left_out: out });
        } else {
            await take('PUT', `/clock/touches/${String(one.id)}`, { key: one.key, base, left_out: out });
        }
        void bench.refresh();
    }
</script>

<div class="seen">
    <button type="button" class="link quiet py-3" aria-expanded={open} onclick={() => void show()}>{texts.whatThisClockRestsOn}</button>
    {#if open && seen !== null}
        {#if begun}<p class="text-sm">
                What has begun keeps the clock it was begun with; what is changed here counts from the next one on.
            </p>{/if}
        {#if seen.observations.length === 0}<p>On its sheet alone: nobody has tapped “gelled” or touched a coat of it yet.</p>{/if}
        <ul aria-label={texts.observationsOf(seen.name)}>
            {#each seen.observations as one (`${one.of}/${String(one.id)}/${one.key ?? ''}`)}
                <li class:out={!one.counts}>
                    <span>
                        <b>{words[one.kind] ?? one.kind}</b> after <b class="fig">{minutes(one.minutes)}</b> at {measure(
                            one.room_c,
                            'temperature',
                            bench.units,
                        )}{one.low_min === null || one.high_min === null
                            ? ''
                            : one.of === 'gel'
                              ? `; the sheet says ${minutes(one.low_min)} to ${minutes(one.high_min)}`
                              : ''}
                        <span class="quiet block text-sm">
                            {one.at_ms === null ? '' : `${when(one.at_ms, bench.now)}, `}{#if one.pour_id !== null}<a
                                    class="link"
                                    href="/pours/{one.pour_id}/run">{one.job} · {one.link}</a
                                >{:else}{one.job} · {one.link}{/if}{one.person === null ? '' : `, ${one.person}`}{one.sure
                                ? '. Asked about, and confirmed'
                                : ''}
                        </span>
                        {#if one.left_out}<b class="block">Left out.</b>{:else if !one.counts}<b class="block"
                                >Does not count: it is far from the sheet and all the others.</b
                            >{/if}
                    </span>
                    {#if one.of === 'gel' || one.key !== null}<button type="button" class="btn" onclick={() => void set(one, !one.left_out)}
                            >{one.left_out ? texts.takeItBackIn : texts.leaveItOut}</button
                        >{/if}
                </li>
            {/each}
        </ul>
        {#if seen.more > 0}<p class="quiet text-sm">{seen.more} older ones are no longer listened to.</p>{/if}
    {/if}
    <Wrong says={trouble} />
</div>

<style>
    ul {
        display: grid;
        max-height: 24rem;
        overflow: auto;
    }
    li {
        display: flex;
        gap: 0.8rem;
        justify-content: space-between;
        align-items: center;
        padding: 0.45rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    .out {
        color: var(--color-neutral);
    }
    .btn {
        flex: none;
        min-height: 2.75rem;
        white-space: normal;
        max-width: 8.5rem;
    }
</style>
