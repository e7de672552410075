<script lang="ts">
    /** How long it still pours: a column that sinks, with what has to happen before it is empty. */
    import { bench } from '../../lib/bench.svelte';
    import { minutes, span } from '../../lib/units';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run }: { run: RunView } = $props();

    const clock = $derived(run.clock);
    const whole = $derived(
        clock.met_ms !== null && clock.pot_ends_ms !== null ? clock.pot_ends_ms - clock.met_ms : (clock.pot_life_min ?? 0) * 60_000,
    );
    const left = $derived(clock.pot_ends_ms === null ? whole : clock.pot_ends_ms - bench.now);
    const share = $derived(whole === 0 ? 0 : Math.max(0, Math.min(1, left / whole)));
    const marks = $derived.by(() => {
        if (whole === 0) {
            return [];
        }
        const total = whole / 60_000;
        const parts = [
            { name: 'mix', min: clock.mix_min },
            { name: 'de-air', min: clock.degas_min },
            { name: 'pour', min: Math.max(0, 0.8 * total - clock.mix_min - clock.degas_min) },
            { name: 'too thick', min: 0.2 * total },
        ].filter((part) => part.min > 0);
        let at = 0;
        return parts.map((part) => {
            const mark = { ...part, from: at / total, to: (at + part.min) / total };
            at += part.min;
            return mark;
        });
    });
    const tone = $derived(clock.met_ms === null ? 'still' : left < 0 ? 'gone' : share < 0.2 ? 'short' : 'good');
</script>

{#if whole > 0}
    <div class="pot {tone}" role="timer" aria-label={texts.potLife}>
        <p class="quiet">{clock.met_ms === null ? 'pours for' : left < 0 ? 'past its pot life by' : 'pours for another'}</p>
        <p class="fig time" data-testid="potlife">{span(Math.abs(left))}</p>
        <p class="quiet text-sm">
            {clock.met_ms === null ? run.worked.starts : run.worked.since}
        </p>
        <svg viewBox="0 0 196 330" aria-hidden="true">
            <rect x="6" y="6" width="58" height="318" rx="12" fill="var(--color-secondary)" />
            <rect x="6" y={6 + 318 * (1 - share)} width="58" height={318 * share} rx="6" class="column" />
            {#each marks as mark (mark.name)}
                <path
                    d="M6 {6 + 318 * mark.from} H72"
                    stroke="var(--color-base-content)"
                    stroke-width={mark.from === 0 ? 0 : 1.5}
                    stroke-dasharray="3 4"
                />
                <text x="78" y={6 + 318 * ((mark.from + mark.to) / 2) + 5} class="mark"
                    >{mark.name} {mark.name === 'too thick' ? '' : minutes(mark.min)}</text
                >
            {/each}
            <rect x="6" y="6" width="58" height="318" rx="12" fill="none" stroke="var(--color-base-content)" stroke-width="4" />
        </svg>
    </div>
{:else if clock.met_ms !== null}
    <div class="pot" role="timer" aria-label={run.worked.since}>
        <p class="quiet">{run.worked.met}</p>
        <p class="fig time" data-testid="met">{span(bench.now - clock.met_ms)}</p>
        <p class="quiet text-sm">ago. Its sheet gives no pot life: watch the cup, not this clock.</p>
    </div>
{/if}

<style>
    .time {
        font-size: 3.2rem;
        font-weight: 700;
        line-height: 1.1;
    }
    .short .time,
    .gone .time {
        color: var(--color-accent);
    }
    .column {
        fill: color-mix(in oklab, var(--color-success) 45%, var(--color-secondary));
    }
    .still .column {
        fill: color-mix(in oklab, var(--color-neutral) 30%, var(--color-secondary));
    }
    .short .column,
    .gone .column {
        fill: var(--color-accent);
    }
    svg {
        max-height: 38vh;
        margin-top: 0.6rem;
    }
    .mark {
        font-size: 16px;
        fill: var(--color-base-content);
    }
    @media (max-width: 1000px) {
        svg {
            display: none;
        }
    }
</style>
