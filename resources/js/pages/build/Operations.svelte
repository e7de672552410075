<script lang="ts">
    /** All operations in order, each with where it stands and its window. */
    import { bench } from '../../lib/bench.svelte';
    import { standing, standsIn, type LiveBuild } from '../../lib/build.svelte';
    import { measure, span } from '../../lib/units';
    import { when } from '../../lib/when';
    import * as texts from './texts';

    let { live, chosen, onchoose }: { live: LiveBuild; chosen: string | null; onchoose: (id: string) => void } = $props();
    const words: Record<string, string> = { comes_off: 'comes off', tacky: 'tacky, clean glove', dry: 'dry' };
</script>

<ol class="ops" aria-label={texts.operations}>
    {#each live.build.operations as op (op.id)}
        {@const stands = standing(op, bench.now)}
        <li class={stands} class:chosen={op.id === chosen}>
            <button class="op" aria-pressed={op.id === chosen} onclick={() => onchoose(op.id)}>
                <span class="dot" aria-hidden="true"></span>
                <span class="min-w-0">
                    <b>{op.name}</b>
                    <span class="quiet block">
                        {#if stands === 'done' && op.ended_ms !== null}{when(op.ended_ms, bench.now)}{op.grams === null
                                ? ''
                                : `, ${measure(op.grams, 'mass', bench.units)}`}
                        {:else if stands === 'waits' && op.waits_for.length > 0}{texts.after(op.waits_for.join(' and ').toLowerCase())}
                        {:else if stands === 'waits' && op.opens_ms !== null}{texts.fromWord(
                                when(op.opens_ms, bench.now),
                                op.shuts_ms === null ? '' : texts.until(when(op.shuts_ms, bench.now)),
                            )}
                        {:else if op.shuts_ms !== null && stands !== 'under_way' && stands !== 'left_out'}{texts.until2(
                                when(op.shuts_ms, bench.now),
                            )}
                        {:else if op.minutes > 0}{texts.ofHands(span(op.minutes * 60_000))}{/if}
                    </span>
                    {#if op.by !== null && stands !== 'waits'}<span class="quiet block text-sm">{op.by}</span>{/if}
                    {#if op.said !== null && stands !== 'waits'}<span class="quiet block">“{op.said}”</span>{/if}
                    {#each op.touches as touch (touch.at_ms)}<span class="quiet block"
                            >{texts.touched(
                                when(touch.at_ms, bench.now),
                                words[touch.finger] ?? touch.finger,
                                touch.left_out ? texts.leftOut : '',
                            )}</span
                        >{/each}
                </span>
                <span class="stands">{standsIn[stands] ?? stands}</span>
            </button>
        </li>
    {/each}
</ol>

<style>
    .ops {
        display: grid;
    }
    .op {
        display: grid;
        grid-template-columns: 1rem 1fr auto;
        gap: 0.8rem;
        width: 100%;
        min-height: 2.75rem;
        text-align: left;
        padding: 0.5rem 0.4rem;
        border-top: 1px solid var(--color-base-300);
        align-items: start;
        cursor: pointer;
    }
    .chosen .op {
        background: var(--color-base-200);
    }
    .dot {
        width: 0.9rem;
        height: 0.9rem;
        margin-top: 0.3rem;
        border-radius: 50%;
        border: 2px solid var(--color-neutral);
    }
    .done .dot {
        background: var(--color-neutral);
    }
    .ready .dot {
        border-color: var(--color-success);
    }
    .under_way .dot {
        border-color: var(--color-success);
        background: var(--color-success);
    }
    .closing .dot {
        border-color: var(--color-warning);
        background: var(--color-warning);
    }
    .missed .dot {
        border-color: var(--color-error);
        background: var(--color-error);
    }
    .left_out b {
        text-decoration: line-through;
    }
    .stands {
        font-weight: 700;
        font-size: 0.9rem;
    }
    .closing .stands {
        color: var(--color-warning);
    }
    .missed .stands,
    .failed .stands {
        color: var(--color-error);
    }
    .waits .stands,
    .done .stands,
    .left_out .stands {
        font-weight: 400;
        color: var(--color-neutral);
    }
</style>
