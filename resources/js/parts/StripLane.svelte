<script lang="ts">
    /** One pour on the day strip: solid where hands are needed, hatched while it waits, a bracket for each window that closes. */
    import { bench } from '../lib/bench.svelte';
    import { nameAt, type Lozenge, type Span } from '../lib/strip';
    import { span } from '../lib/units';
    import { when } from '../lib/when';
    import type { DayDrag } from '../lib/daydrag.svelte';
    import type { StripView } from '../types/server';

    type Props = {
        l: Lozenge;
        lane: number;
        /** What is in view: from when, how long (ms), how wide (px). */
        start: number;
        length: number;
        width: number;
        calls: StripView['calls'];
        drag: DayDrag;
    };
    let { l, lane, start, length, width, calls, drag }: Props = $props();
    const planned = $derived((l.plans ?? []).map((plan) => ({ ...plan, at: drag.start(plan.id, plan.from_ms) })));
    const moved = (plan: { at: number; from_ms: number; to_ms: number }): Span => ({
        from_ms: plan.at,
        to_ms: plan.at + plan.to_ms - plan.from_ms,
    });

    const x = (ms: number): number => ((ms - start) / length) * 100;
    const seen = (piece: Span): boolean => piece.to_ms > start && piece.from_ms < start + length;
    const box = (piece: Span): string => {
        const left = Math.max(-2, x(piece.from_ms));
        return `left:${String(left)}%;width:max(10px,${String(Math.min(102, x(piece.to_ms)) - left)}%)`;
    };

    const label = $derived.by((): string => {
        const { left, room } = nameAt(l, start, length, width);
        return `left:${String(Math.round(left))}px;max-width:${String(Math.round(room))}px`;
    });

    const nextCall = $derived.by((): string => {
        const call = calls.find((c) => c.id === l.id && c.at_ms > bench.now);
        return call === undefined
            ? ''
            : `, ${(call.event ?? call.what).toLowerCase()} at ${when(call.event_ms ?? call.at_ms, bench.now)} (in ${span((call.event_ms ?? call.at_ms) - bench.now)})`;
    });
</script>

<a class="lane" style="top:{26 + lane * 44}px" href={l.href} aria-label="{l.title}: {l.state}{nextCall}" draggable="false">
    {#each l.waits.filter(seen) as piece, i (i)}<span class="wait" style={box(piece)}></span>{/each}
    {#each l.hands.filter(seen) as piece, i (i)}
        <span class="hands" class:live={i === l.hands.length - 1 && l.state !== 'waiting'} style={box(piece)}></span>
    {/each}
    {#each planned.filter((plan) => seen(moved(plan))) as plan (plan.id)}
        {#if plan.opens_ms !== null && plan.shuts_ms !== null}
            <span
                class="window recoat"
                class:dotted={plan.opens_ms > bench.now}
                style={box({ from_ms: plan.opens_ms, to_ms: plan.shuts_ms })}
            ></span>
        {/if}
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <span
            class="plan"
            class:live={plan.live}
            class:moves={plan.moves}
            class:held={drag.id === plan.id}
            class:no={drag.id === plan.id && drag.trial?.ok === false}
            style={box(moved(plan))}
            title="{plan.name}, {when(plan.at, bench.now)}"
            onpointerdown={(event) => {
                if (plan.moves && event.button === 0) {
                    event.preventDefault();
                    drag.hold(event, plan.id, plan.from_ms);
                }
            }}
        ></span>
    {/each}
    <span class="tag" style={label}>{l.title}</span>
    {#each l.windows.filter(seen) as window (window.kind)}
        <span class="window {window.kind}" class:closing={window.from_ms < bench.now} style={box(window)}>
            {#if window.from_ms < bench.now && window.to_ms > bench.now}
                <span class="left" style="left:{((bench.now - window.from_ms) / (window.to_ms - window.from_ms)) * 100}%"></span>
            {/if}
        </span>
    {/each}
</a>

<style>
    .lane {
        position: absolute;
        left: 0;
        right: 0;
        height: 44px;
        pointer-events: none;
    }
    .lane > * {
        pointer-events: auto;
    }
    .hands,
    .wait,
    .window {
        position: absolute;
        top: 12px;
        height: 20px;
        border-radius: 10px;
    }
    .hands {
        background: var(--color-primary);
        min-width: 10px;
    }
    .hands.live {
        background: var(--color-accent);
    }
    .wait {
        border: 1.5px solid color-mix(in oklab, var(--color-neutral) 45%, transparent);
        background:
            repeating-linear-gradient(-55deg, transparent 0 4px, color-mix(in oklab, var(--color-neutral) 28%, transparent) 4px 6px),
            var(--color-base-100);
    }
    .plan {
        position: absolute;
        top: 12px;
        height: 20px;
        border-radius: 10px;
        min-width: 10px;
        border: 2px dashed var(--color-neutral);
        background: color-mix(in oklab, var(--color-base-100) 60%, transparent);
    }
    .plan.moves {
        cursor: grab;
    }
    .plan.live {
        border: 0;
        background: var(--color-accent);
    }
    .plan.held {
        border-style: solid;
        border-color: var(--color-success);
    }
    .plan.no {
        border-color: var(--color-error);
    }
    .window.dotted {
        border-style: dotted;
        background: none;
    }
    .window {
        top: 10px;
        height: 24px;
        border-radius: 2px;
        --tone: var(--color-success);
        border: solid var(--tone);
        border-width: 0 3px;
        background:
            linear-gradient(var(--tone), var(--tone)) 0 0 / 8px 3px no-repeat,
            linear-gradient(var(--tone), var(--tone)) 0 100% / 8px 3px no-repeat,
            linear-gradient(var(--tone), var(--tone)) 100% 0 / 8px 3px no-repeat,
            linear-gradient(var(--tone), var(--tone)) 100% 100% / 8px 3px no-repeat;
        overflow: hidden;
    }
    .window.pot_life {
        --tone: var(--color-accent);
    }
    .window.service {
        --tone: var(--color-neutral);
        border-right-width: 0;
    }
    .window.recoat {
        --tone: var(--color-warning);
    }
    .window .left {
        position: absolute;
        right: 0;
        top: 5px;
        bottom: 5px;
        background: color-mix(in oklab, var(--tone) 28%, transparent);
    }
    /* Above brackets and the line of now: nothing runs through a name. */
    .tag {
        z-index: 3;
        position: absolute;
        top: 12px;
        line-height: 20px;
        font-size: 0.875rem;
        font-weight: 700;
        white-space: nowrap;
        overflow: hidden;
        text-overflow: ellipsis;
        padding: 0 6px;
        border-radius: 8px;
        background: var(--color-base-200);
    }
    .lane:hover .tag,
    .lane:focus-visible .tag {
        text-decoration: underline;
    }
    .lane:focus-visible {
        outline-offset: -2px;
    }
</style>
