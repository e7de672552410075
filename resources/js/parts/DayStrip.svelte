<script lang="ts">
    import { bench } from '../lib/bench.svelte';
    import { lay } from '../lib/strip';
    import { clockTime, dayAndTime, dayInWords, fullHours, workingDay } from '../lib/when';
    import StripLane from './StripLane.svelte';

    const HOUR = 3_600_000;

    let shift = $state(0);
    let dragFrom: { x: number; shift: number } | null = null;
    let width = $state(1000);

    const frame = $derived(bench.frame);
    const lozenges = $derived(frame?.strip.lozenges ?? []);

    // The working day, unless now is outside it: then the hours around now.
    const day = $derived(workingDay(bench.now, frame?.workshop.day_starts_min ?? 420, frame?.workshop.day_ends_min ?? 1080));
    const start = $derived(
        (bench.now >= day.from && bench.now <= day.to ? day.from : (fullHours(bench.now - 5 * HOUR, bench.now)[0] ?? bench.now)) + shift,
    );
    const length = $derived(day.to - day.from + HOUR / 2);
    const x = (ms: number): number => ((ms - start) / length) * 100;
    const inView = (ms: number): boolean => ms >= start && ms <= start + length;
    const hours = $derived(fullHours(start, start + length).filter((h) => x(h) > 1 && x(h) < 98));

    const laid = $derived(frame === null ? { lanes: [], more: 0 } : lay(frame.strip, start, length, width));

    const today = $derived(dayInWords(start + length / 2));

    const startableToday = $derived((frame?.strip.startable ?? []).filter((s) => s.open_ms < day.to));

    function pull(event: PointerEvent): void {
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

    function hold(event: PointerEvent): void {
        if ((event.target as HTMLElement).closest('a, button') === null) {
            dragFrom = { x: event.clientX, shift };
        }
    }
</script>

<svelte:window onpointermove={pull} onpointerup={() => (dragFrom = null)} />

<div class="strip">
    <div class="day">
        <a href="/" class="name text-2xl" aria-label="Apalos, to the bench">Apalos</a>
        <p class="text-sm quiet leading-tight">{today}</p>
        <p class="text-sm leading-tight">
            <span class="fig font-bold" data-testid="clock">{clockTime(bench.now)}</span>
            {#if shift !== 0}<button class="link text-xs" onclick={() => (shift = 0)}>back to now</button>{/if}
        </p>
    </div>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
        class="line"
        role="group"
        aria-label="Day strip. Arrow keys look ahead and back."
        tabindex="0"
        bind:clientWidth={width}
        onkeydown={arrows}
        onpointerdown={hold}
    >
        {#each hours as hour (hour)}
            <span class="hour fig" style="left:{x(hour)}%">{clockTime(hour).slice(0, 2)}</span>
            <span class="rule" style="left:{x(hour)}%"></span>
        {/each}

        {#each laid.lanes as { l, lane } (l.id)}
            <StripLane {l} {lane} {start} {length} {width} calls={frame?.strip.calls ?? []} />
        {:else}
            <p class="empty">
                {#if lozenges.length > 0}
                    Nothing is live in these hours.
                {:else if startableToday.length > 0}
                    Nothing is curing. Started now, open before the day ends:
                    {#each startableToday.slice(0, 3) as s, i (s.pour_id)}{i > 0 ? ', ' : ' '}<a
                            class="link font-bold"
                            href="/pours/{s.pour_id}">{s.title}</a
                        >
                        ({clockTime(s.open_ms)}){/each}.
                {:else}
                    Nothing is curing, and nothing that is planned could be opened before the day ends.
                {/if}
            </p>
        {/each}

        {#if laid.more > 0}<a href="/" class="more">+ {laid.more} more</a>{/if}
        {#if inView(bench.now)}
            <span class="now" style="left:{x(bench.now)}%" title={dayAndTime(bench.now)}
                ><span class="now-tag fig">{clockTime(bench.now)}</span></span
            >
        {/if}
    </div>
</div>

<style>
    .strip {
        display: grid;
        grid-template-columns: minmax(9rem, 11rem) 1fr;
        background: var(--color-base-200);
        height: 132px;
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
        font-size: 0.8rem;
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
        font-size: 0.8rem;
        border-radius: 9px;
        padding: 1px 6px;
    }
    .empty {
        position: absolute;
        inset: 44px 1rem auto 1rem;
        font-size: 1rem;
        color: var(--color-neutral);
    }
    .more {
        position: absolute;
        right: 0;
        top: 0;
        min-height: 24px;
        padding: 0 8px;
        line-height: 24px;
        font-size: 0.85rem;
        text-decoration: underline;
        background: var(--color-base-200);
    }
    @media (max-width: 640px) {
        .strip {
            grid-template-columns: 1fr;
            height: 166px;
        }
        .day {
            display: flex;
            gap: 0.8rem;
            align-items: baseline;
            padding: 0.1rem 1rem;
        }
        .line {
            height: 133px;
        }
    }
</style>
