<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { minutes, span } from '../../lib/units';
    import AsOf from '../../parts/AsOf.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveRun } = $props();
    const list = $derived(live.run.checklist);
    type Item = (typeof list)[number];

    /** Ticked before its wait is over: it is asked once, and the second tick counts. */
    let asked = $state<string[]>([]);
    /** Since when a wait really goes on, where that is told late. */
    const began = $state<Record<string, number | null>>({});
    async function begin(item: Item): Promise<void> {
        const since = began[item.id] ?? null;
        await live.record(
            'begun',
            { item: item.id, ...(since === null ? {} : { done_ms: since }) },
            `begun-${item.id}${String(since ?? '')}`,
        );
    }
    const over = (item: Item): boolean =>
        item.minutes <= 0 || (item.begun_ms !== null && item.begun_ms + item.minutes * 60_000 <= bench.now);
    function tick(event: Event & { currentTarget: HTMLInputElement }, item: Item): void {
        if (!over(item) && !asked.includes(item.id)) {
            event.currentTarget.checked = false;
            asked = [...asked, item.id];
            return;
        }
        void live.record('checked', { item: item.id }, item.id);
    }
</script>

<h1 class="text-4xl">{texts.beforeAnythingIsMixed}</h1>
<p class="mt-1 mb-3 text-lg">Look at each contact and tick it: {list.filter((i) => i.done).length} of {list.length}.</p>
<ul class="checklist">
    {#each list as item (item.id)}
        {@const ends = item.begun_ms === null ? null : item.begun_ms + item.minutes * 60_000}
        <li class:on={item.done}>
            <label>
                <input
                    type="checkbox"
                    class="checkbox checkbox-lg"
                    checked={item.done}
                    disabled={item.done}
                    onchange={(event) => tick(event, item)}
                />
                <span>{item.text}</span>
            </label>
            {#if asked.includes(item.id) && !item.done}<p class="early" role="alert">
                    Its {minutes(item.minutes)} are not over. Tick it again if it is ready all the same.
                </p>{/if}
            {#if item.minutes > 0 && !item.done}
                {#if ends === null}
                    <div>
                        <button class="btn big" onclick={() => void begin(item)}
                            >{texts.itWaitsFrom(minutes(item.minutes), began[item.id] == null ? texts.now : texts.then)}</button
                        >
                        <AsOf bind:value={() => began[item.id] ?? null, (at) => (began[item.id] = at)} words="It waits since …" />
                    </div>
                {:else if ends > bench.now}
                    <span class="fig text-xl font-bold" role="timer">{span(ends - bench.now)}</span>
                {:else}
                    <b class="text-success">waited</b>
                {/if}
            {/if}
        </li>
    {/each}
</ul>

<style>
    .checklist {
        display: grid;
        gap: 0.6rem;
    }
    li {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.5rem 1rem;
        align-items: center;
        padding-right: 1rem;
        border: 1.5px solid var(--color-base-300);
        border-radius: 1.1rem;
        background: var(--color-secondary);
    }
    li.on {
        border-color: var(--color-success);
    }
    .early {
        grid-column: 1 / -1;
        padding: 0 1rem 0.5rem;
        font-weight: 700;
        color: var(--color-warning);
    }
    label {
        display: flex;
        gap: 1rem;
        align-items: center;
        min-height: 3.5rem;
        padding: 0.6rem 1rem;
        cursor: pointer;
    }
</style>
