<script lang="ts">
    /**
     * Hands, chamber and pot across the working day: what was done, what is under way, and what is planned as outlines one can put
     * elsewhere.
     */
    import { bench } from '../../lib/bench.svelte';
    import { jobOf, rows } from '../../lib/day';
    import { DayDrag, STEP_MS } from '../../lib/daydrag.svelte';
    import { span } from '../../lib/units';
    import { clockTime, fullHours, when } from '../../lib/when';
    import type { DayView } from '../../types/server';
    import * as texts from './texts';

    type Item = DayView['items'][number];
    let { day, onput, onwrong }: { day: DayView; onput: (id: string, at: number) => void; onwrong: (says: string | null) => void } =
        $props();

    const ROW = 48;
    let width = $state(1000);
    const from = $derived(Math.min(day.works_from_ms, bench.now - 3_600_000));
    const to = $derived(Math.max(day.works_to_ms, bench.now + 3_600_000) + 30 * 60_000);
    const x = (ms: number): number => ((ms - from) / (to - from)) * 100;
    const hours = $derived(fullHours(from, to).filter((_, i) => width > 620 || i % 3 === 0));

    let chosen = $state<string | null>(null);
    const drag = new DayDrag();

    const start = (item: Item): number => drag.start(item.id, item.from_ms);
    const lanes = $derived(
        day.lanes.map((lane) => ({
            ...lane,
            ...rows(
                // On a phone there is no room for what is over.
                day.items.filter(
                    (item) =>
                        item.lanes.includes(lane.id) && item.to_ms > from && item.from_ms < to && (width > 620 || item.state !== 'done'),
                ),
                to - from,
                width,
                to,
            ),
        })),
    );
    const item = $derived(day.items.find((i) => i.id === chosen) ?? null);

    function hold(event: PointerEvent, one: Item): void {
        chosen = one.id;
        onwrong(null);
        if (one.moves && event.button === 0) {
            drag.hold(event, one.id, one.from_ms);
        }
    }
    function drop(): void {
        const held = drag.drop();
        if (held !== null) {
            onput(held.id, held.at);
        }
    }
    function keys(event: KeyboardEvent, one: Item): void {
        const by = { ArrowRight: STEP_MS, ArrowLeft: -STEP_MS }[event.key];
        if (by !== undefined && one.moves) {
            event.preventDefault();
            onput(one.id, one.from_ms + by);
        }
    }
    const named = (one: Item): string =>
        `${one.name}, ${one.title}: ${when(start(one), bench.now)} to ${when(start(one) + one.to_ms - one.from_ms, bench.now)}, ${one.missed ? 'its window has shut' : one.state}`;
</script>

<svelte:window onpointermove={(event) => drag.pull(event, (to - from) / width)} onpointerup={drop} />

<div class="lanes" aria-label={texts.theDayLaneByLaneWith}>
    <div class="hours" bind:clientWidth={width}>
        {#each hours as hour (hour)}{#if x(hour) > 2 && x(hour) < 98}<span class="fig" style="left:{x(hour)}%">{clockTime(hour)}</span
                >{/if}{/each}
    </div>
    {#each lanes as lane (lane.id)}
        <section class="lane" aria-label={lane.name} style="height:{Math.max(1, lane.count) * ROW + 30}px">
            <h3>{lane.name}{lane.id === 'hands' && day.hands > 1 ? texts.pairs(day.hands) : ''}</h3>
            <span class="closed" style="left:0;width:{Math.max(0, x(day.works_from_ms))}%"></span>
            <span class="closed" style="left:{x(day.works_to_ms)}%;right:0"></span>
            {#each hours as hour (hour)}<span class="rule" style="left:{x(hour)}%"></span>{/each}
            {#each lane.placed as placed (placed.item.id)}
                {@const one = placed.item}
                {#if one.opens_ms !== null && one.shuts_ms !== null && one.moves}
                    <span
                        class="bracket"
                        class:unopened={one.opens_ms > bench.now}
                        class:shut={one.missed}
                        style="top:{30 + placed.row * ROW + 5}px;left:{x(Math.max(from, one.opens_ms))}%;width:{Math.max(
                            0,
                            x(Math.min(to, one.shuts_ms)) - x(Math.max(from, one.opens_ms)),
                        )}%"
                    ></span>
                {/if}
                <button
                    class="item {one.state}"
                    class:missed={one.missed}
                    class:moves={one.moves}
                    class:held={drag.id === one.id}
                    class:no={drag.id === one.id && drag.trial?.ok === false}
                    style="top:{30 + placed.row * ROW}px;{placed.before
                        ? `right:${String(100 - x(start(one) + one.to_ms - one.from_ms))}%`
                        : `left:${String(x(start(one)))}%`};--tint:{one.colour}"
                    class:before={placed.before}
                    aria-label={named(one)}
                    aria-pressed={chosen === one.id}
                    onpointerdown={(event) => hold(event, one)}
                    onkeydown={(event) => keys(event, one)}
                    onclick={() => (chosen = one.id)}
                    ><i style="width:{Math.max(10, ((one.to_ms - one.from_ms) / (to - from)) * width)}px"></i><span
                        >{one.name}<small>{jobOf(one.title)}</small></span
                    ></button
                >
            {/each}
            <span class="now" style="left:{x(bench.now)}%"></span>
        </section>
    {/each}
</div>
{#if drag.id !== null && drag.trial !== null}<p class="said" role="status" aria-live="polite">
        {drag.trial.ok ? `It goes there: ${clockTime(drag.at)}.` : drag.trial.why}
    </p>
{:else if item !== null}
    <p class="said">
        <a class="link" href={item.href}><b>{item.name}</b> · {item.title}</a>: {when(item.from_ms, bench.now)} to {when(
            item.to_ms,
            bench.now,
        )}.
        {#if item.moves}{item.slack_min >= 1
                ? `It may start ${span(item.slack_min * 60_000)} later without moving anything.`
                : 'It cannot start later without moving something.'}
            {#if item.opens_ms !== null && item.shuts_ms !== null}{item.missed
                    ? 'Its window has shut.'
                    : `Window ${when(item.opens_ms, bench.now)} to ${when(item.shuts_ms, bench.now)}.`}{/if}
            Drag it, or use the arrow keys.{/if}
    </p>
{/if}

<style>
    .lanes {
        margin-top: 1rem;
        border-radius: 1.2rem;
        background: var(--color-base-200);
        padding: 0.4rem 0 0.6rem;
        overflow: hidden;
        touch-action: pan-y;
        user-select: none;
    }
    .hours {
        position: relative;
        height: 1.6rem;
    }
    .hours span {
        position: absolute;
        transform: translateX(-50%);
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    .lane {
        position: relative;
        border-top: 1px solid var(--color-base-300);
    }
    h3 {
        position: absolute;
        left: 0.8rem;
        top: 0.2rem;
        z-index: 2;
        font-size: 0.95rem;
    }
    .rule {
        position: absolute;
        top: 0;
        bottom: 0;
        width: 1px;
        background: var(--color-base-300);
    }
    .closed {
        position: absolute;
        top: 0;
        bottom: 0;
        background: color-mix(in oklab, var(--color-base-300) 45%, transparent);
    }
    .now {
        position: absolute;
        top: 0;
        bottom: 0;
        width: 2px;
        background: var(--color-accent);
        pointer-events: none;
        z-index: 1;
    }
    .item {
        position: absolute;
        display: flex;
        gap: 6px;
        align-items: center;
        height: 44px;
        min-width: 44px;
        text-align: left;
        font-weight: 700;
        line-height: 1.05;
        white-space: nowrap;
        cursor: pointer;
        z-index: 2;
    }
    i {
        flex: none;
        height: 26px;
        border-radius: 9px;
    }
    .item span {
        padding: 1px 4px;
        border-radius: 6px;
        font-size: 0.9rem;
        background: var(--color-base-200);
    }
    small {
        display: block;
        font-size: 0.875rem;
        font-weight: 400;
        color: var(--color-neutral);
    }
    .planned i {
        background: var(--color-base-100);
        border: 2px dashed var(--color-neutral);
        border-left: 6px solid var(--tint);
    }
    .before {
        flex-direction: row-reverse;
    }
    .moves {
        cursor: grab;
    }
    .live i {
        background: var(--color-accent);
    }
    .done i {
        background: color-mix(in oklab, var(--color-neutral) 45%, var(--color-base-200));
    }
    .done span {
        font-weight: 400;
    }
    .missed span {
        color: var(--color-error);
    }
    .missed i {
        border-color: var(--color-error);
    }
    .held {
        z-index: 5;
        cursor: grabbing;
    }
    .held i {
        border-style: solid;
        border-color: var(--color-success);
    }
    .no i {
        border-color: var(--color-error);
    }
    .bracket {
        position: absolute;
        height: 34px;
        border: 3px solid var(--color-warning);
        border-block: 0;
        border-radius: 2px;
        pointer-events: none;
    }
    .bracket.unopened {
        border-style: dotted;
    }
    .bracket.shut {
        border-color: var(--color-error);
    }
    .said {
        margin-top: 0.6rem;
        min-height: 2.6em;
    }
</style>
