<script lang="ts">
    import { bench } from '../lib/bench.svelte';
    import { untrack } from 'svelte';
    import { DayDrag, put } from '../lib/daydrag.svelte';
    import { lay } from '../lib/strip';
    import { span } from '../lib/units';
    import { clockTime, dayAndTime, dayInWords, fullHours, when, workingDay } from '../lib/when';
    import StripLane from './StripLane.svelte';
    import * as texts from './DayStrip.texts';

    /** Whole, or one line of words until somebody unfolds it. */
    let { whole }: { whole: boolean } = $props();

    const HOUR = 3_600_000;
    const STORE = 'apalos.strip';
    let narrow = $state(false);
    $effect(() => {
        const query = matchMedia('(max-width: 640px)');
        const look = (): void => {
            narrow = query.matches;
        };
        look();
        query.addEventListener('change', look);
        return () => query.removeEventListener('change', look);
    });
    let chosen = $state(untrack(() => localStorage.getItem(STORE)));
    const open = $derived(whole && !narrow ? true : chosen === 'open');
    function fold(): void {
        chosen = open ? 'folded' : 'open';
        localStorage.setItem(STORE, chosen);
    }

    let shift = $state(0);
    let dragFrom: { x: number; shift: number } | null = null;
    let width = $state(1000);

    const frame = $derived(bench.frame);
    /** What is called for next, in words. */
    const next = $derived((frame?.strip.calls ?? []).find((call) => call.at_ms > bench.now) ?? null);
    const due = $derived((frame?.strip.calls ?? []).filter((call) => call.at_ms <= bench.now).at(-1) ?? null);

    const lozenges = $derived(frame?.strip.lozenges ?? []);

    // The working day, unless now is outside it: then the hours around now.
    const day = $derived(workingDay(bench.now, frame?.workshop.day_starts_min ?? 420, frame?.workshop.day_ends_min ?? 1080));
    const start = $derived(
        (bench.now >= day.from && bench.now <= day.to ? day.from : (fullHours(bench.now - 5 * HOUR, bench.now)[0] ?? bench.now)) + shift,
    );
    const length = $derived(day.to - day.from + HOUR / 2);
    const x = (ms: number): number => ((ms - start) / length) * 100;
    const inView = (ms: number): boolean => ms >= start && ms <= start + length;
    // None stands where the hour of now does.
    const hours = $derived(
        fullHours(start, start + length).filter(
            (h) => x(h) > 1 && x(h) < 98 && (!inView(bench.now) || (Math.abs(x(h) - x(bench.now)) / 100) * width > 46),
        ),
    );

    const laid = $derived(frame === null ? { lanes: [], more: 0 } : lay(frame.strip, start, length, width));

    const today = $derived(dayInWords(start + length / 2));

    const startableToday = $derived((frame?.strip.startable ?? []).filter((s) => s.open_ms < day.to));

    function pull(event: PointerEvent): void {
        drag.pull(event, length / width);
        if (dragFrom !== null) {
            shift = dragFrom.shift - ((event.clientX - dragFrom.x) / width) * length;
        }
    }

    function arrows(event: KeyboardEvent): void {
        const step = { ArrowRight: HOUR, ArrowLeft: -HOUR, PageDown: 24 * HOUR, PageUp: -24 * HOUR }[event.key];
        if (step !== undefined) {
            event.preventDefault();
            shift += step;
        } else if (event.key === 'Home') {
            shift = 0;
        }
    }

    const drag = new DayDrag();
    let said = $state<string | null>(null);
    let dropped = false;
    /** An outline let go elsewhere is put there, and everything that hangs on it goes along; or it says why it cannot. */
    async function drop(): Promise<void> {
        dragFrom = null;
        const held = drag.drop();
        if (held !== null) {
            dropped = true;
            setTimeout(() => (dropped = false), 300);
            const { wrong } = await put(held.id, held.at);
            said = wrong;
            await bench.refresh();
        }
    }
    /** Having put something elsewhere is no wish to go there. */
    function stay(event: MouseEvent): void {
        if (dropped) {
            event.preventDefault();
            event.stopPropagation();
        }
    }

    function hold(event: PointerEvent): void {
        said = null;
        if ((event.target as HTMLElement).closest('a, button') === null) {
            dragFrom = { x: event.clientX, shift };
        }
    }
</script>

<svelte:window onpointermove={pull} onpointerup={() => void drop()} />

{#if !open}
    <div class="folded">
        <a href="/" class="name text-xl" aria-label={texts.apalosToTheBench}>{texts.apalos}</a>
        <span class="fig font-bold" data-testid="clock">{clockTime(bench.now)}</span>
        <p class="next">
            {#if next !== null}
                <a class="link" href={next.href}>{narrow ? (next.title.split(' · ').at(-1) ?? next.title) : next.title}</a>: {(
                    next.event ?? next.what
                ).toLowerCase()}
                in
                <b class="fig">{span((next.event_ms ?? next.at_ms) - bench.now)}</b>{narrow
                    ? ''
                    : `, at ${when(next.event_ms ?? next.at_ms, bench.now)}`}
            {:else if due !== null}<a class="link" href={due.href}>{narrow ? (due.title.split(' · ').at(-1) ?? due.title) : due.title}</a>: {due.event_ms !==
                    null && due.event_ms > bench.now
                    ? `${(due.event ?? '').toLowerCase()} in ${span(due.event_ms - bench.now)}, at ${when(due.event_ms, bench.now)}`
                    : `${due.what.toLowerCase()} since ${when(due.at_ms, bench.now)}`}
            {:else}Nothing is called for.{/if}
        </p>
        <button class="btn btn-ghost" aria-expanded="false" onclick={fold}>{narrow ? texts.day : texts.showTheDay}</button>
    </div>
{:else}
    <div class="strip">
        {#if !whole || narrow}<button class="fold btn btn-ghost" aria-expanded="true" onclick={fold}>{texts.fold}</button>{/if}
        <div class="day">
            <a href="/" class="name text-2xl" aria-label={texts.apalosToTheBench}>{texts.apalos}</a>
            <p class="text-sm quiet leading-tight">{today}</p>
            <p class="text-sm leading-tight">
                <span class="fig font-bold" data-testid="clock">{clockTime(bench.now)}</span>
                {#if shift !== 0}<button class="link text-sm" onclick={() => (shift = 0)}>{texts.backToNow}</button>{/if}
            </p>
        </div>
        <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
        <div
            class="line"
            role="group"
            aria-label={texts.dayStripArrowKeysLookAhead}
            tabindex="0"
            bind:clientWidth={width}
            onkeydown={arrows}
            onpointerdown={hold}
            onclickcapture={stay}
        >
            {#each hours as hour (hour)}
                <span class="hour fig" style="left:{x(hour)}%">{clockTime(hour).slice(0, 2)}</span>
                <span class="rule" style="left:{x(hour)}%"></span>
            {/each}

            {#each laid.lanes as { l, lane } (l.id)}
                <StripLane {l} {lane} {start} {length} {width} calls={frame?.strip.calls ?? []} {drag} />
            {:else}
                <p class="empty">
                    {#if lozenges.length > 0 || (frame?.strip.plans ?? []).length > 0}
                        Nothing is live in these hours.
                    {:else if startableToday.length > 0}
                        Nothing is curing. Started now, open before the day ends:
                        {#each startableToday.slice(0, 3) as s, i (s.pour_id)}{i > 0 ? ', ' : ' '}<a
                                class="link font-bold"
                                href="/pours/{s.pour_id}">{s.title}</a
                            >
                            ({when(s.open_ms, bench.now)}){/each}.
                    {:else}
                        Nothing is curing, and nothing that is planned could be opened before the day ends.
                    {/if}
                </p>
            {/each}

            {#if drag.trial !== null || said !== null}<p class="why" role="status">
                    {said ?? (drag.trial?.ok === true ? `It goes there: ${clockTime(drag.at)}.` : drag.trial?.why)}
                </p>{/if}
            {#if laid.more > 0}<a href="/" class="more">{texts.more(laid.more)}</a>{/if}
            {#if inView(bench.now)}
                <span class="now" style="left:{x(bench.now)}%" title={dayAndTime(bench.now)}
                    ><span class="now-tag fig">{clockTime(bench.now)}</span></span
                >
            {/if}
        </div>
    </div>
{/if}

<style>
    .folded {
        display: flex;
        align-items: center;
        gap: 0.25rem 1rem;
        padding: 0 2rem;
        min-height: 2.9rem;
        background: var(--color-base-200);
    }
    .folded > a {
        display: inline-flex;
        align-items: center;
        min-height: 2.75rem;
    }
    .next {
        flex: 1;
        min-width: 0;
        line-height: 1.2;
    }
    .fold {
        position: absolute;
        right: 4.6rem;
        bottom: 0;
        z-index: 4;
        background: var(--color-base-200);
    }
    .strip {
        display: grid;
        grid-template-columns: minmax(9rem, 11rem) 1fr;
        background: var(--color-base-200);
        height: 164px;
        position: relative;
    }
    .day {
        padding: 2.1rem 0 0 2rem;
        background: color-mix(in oklab, var(--color-base-300) 35%, transparent);
    }
    .line {
        position: relative;
        overflow: hidden;
        touch-action: pan-y;
        cursor: grab;
        user-select: none;
    }
    .hour {
        position: absolute;
        top: 4px;
        transform: translateX(-50%);
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    .rule {
        position: absolute;
        top: 26px;
        bottom: 8px;
        width: 1px;
        background: var(--color-base-300);
    }
    .now {
        z-index: 1;
        position: absolute;
        top: 0;
        bottom: 0;
        width: 2px;
        background: var(--color-accent);
        pointer-events: none;
    }
    .now-tag {
        position: absolute;
        top: 3px;
        left: 1px;
        transform: translateX(-50%);
        background: var(--color-accent);
        color: var(--color-accent-content);
        font-weight: 700;
        font-size: 0.875rem;
        border-radius: 9px;
        padding: 1px 6px;
    }
    .empty {
        position: absolute;
        inset: 44px 1rem auto 1rem;
        font-size: 1rem;
        color: var(--color-neutral);
    }
    .why {
        position: absolute;
        left: 0.5rem;
        bottom: 2px;
        z-index: 5;
        padding: 0 0.5rem;
        font-weight: 700;
        background: var(--color-base-200);
    }
    .more {
        position: absolute;
        right: 0;
        top: 0;
        z-index: 4;
        min-height: 44px;
        padding: 0 8px;
        line-height: 44px;
        font-size: 0.875rem;
        text-decoration: underline;
        background: var(--color-base-200);
    }
    @media (max-width: 640px) {
        .folded {
            padding: 0.15rem 4.6rem 0.15rem 1rem;
            gap: 0.6rem;
            font-size: 0.9rem;
        }
        .folded > .name {
            display: none;
        }
        .strip {
            grid-template-columns: 1fr;
            height: 198px;
        }
        .day {
            display: flex;
            gap: 0.8rem;
            align-items: baseline;
            padding: 0.1rem 1rem;
        }
        .line {
            height: 165px;
        }
    }
</style>
