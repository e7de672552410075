<script lang="ts">
    /** One thing after the other onto the scale, which writes down what it shows. */
    import { onMount } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveScale } from '../../lib/scale.svelte';
    import { Steady } from '../../lib/steady.svelte';
    import { decimalsOf, figure, measure, sign } from '../../lib/units';
    import ScaleTrouble from '../../parts/ScaleTrouble.svelte';
    import StandInHand from '../../parts/StandInHand.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { WeighingResult } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        scale: LiveScale;
        next: WeighingResult | null;
        /** What is asked for now belongs to all that is in. */
        fresh: boolean;
        /** Where it goes, in words. */
        into: string;
        /** The vessel that was tared. */
        on: string;
        /** What taking back takes back; null where there is nothing. */
        takesBack: string | null;
        /** The step of the scale it was planned for. */
        division: number;
        /** What is in the vessel, in words. */
        inside: string | null;
        oncount: (reading: number, inLine: number) => void;
        ontared: (vessel: string) => void;
        onput: (reading: number) => void;
        onmeet: () => void;
        onback: () => void;
    };
    let { scale, next, fresh, into, on, takesBack, division, inside, ontared, onput, onmeet, onback, oncount }: Props = $props();

    const steady = new Steady();
    const fine = $derived(decimalsOf(division, bench.units));
    let trouble = $state<string | null>(null);
    let armed = $state(false);
    const empty = $derived(next !== null && next.opens && on !== next.vessel);
    const left = $derived(next === null || scale.grams === null ? null : next.running - scale.grams);
    const over = $derived(next !== null && scale.grams !== null && scale.grams > next.to);
    const good = $derived(next !== null && scale.grams !== null && scale.grams >= next.from && !over);
    const what = $derived(next === null ? '' : next.code.endsWith('-cup') ? `From the ${next.add}` : next.add);

    /** The scale is not believed, or serves another: nothing of it is confirmed until that is settled. */
    const blocked = $derived(next !== null && (scale.reading.held_by !== null || (!empty && scale.reading.trouble !== null)));

    // What was pressed for one thing must not act on the next; hearing the same again changes nothing.
    const asks = $derived(`${next?.vessel ?? ''} ${String(next?.line)} ${String(next?.before)}`);
    $effect(() => {
        steady.stands(asks);
        armed = false;
        trouble = null;
    });

    /** The one large action of this moment; the space bar is it too. */
    export async function go(take = false): Promise<void> {
        if (next === null || !fresh || steady.resting || (blocked && !take)) {
            return;
        }
        if (empty) {
            const vessel = next.vessel;
            if (await scale.tare(take)) {
                ontared(vessel);
            } else if (scale.reading.held_by === null) {
                trouble = scale.reading.lost ?? 'It did not tare. Let it come to rest and press again.';
            }
        } else if (scale.grams === null) {
            trouble = scale.reading.overload
                ? 'More than the scale can carry. Take it off, or write what was weighed into the list.'
                : 'The scale says nothing. Write what was weighed into the list below.';
        } else if (scale.grams < next.from) {
            trouble = `Still ${measure(next.running - scale.grams, 'mass', bench.units, fine)} to pour. If that is all there is, write the grams into the list below.`;
        } else if (!scale.reading.stable) {
            armed = true;
        } else {
            onput(scale.grams);
        }
    }

    onMount(() =>
        scale.listen(
            () => next !== null,
            () => {
                if (next?.meets === true && fresh && scale.sound && scale.grams !== null && scale.grams > next.before + 1) {
                    onmeet();
                }
                if (armed && scale.sound && scale.reading.stable) {
                    void go();
                }
            },
        ),
    );
</script>

<section class="next" aria-label={texts.onTheScale} aria-busy={!fresh || steady.resting}>
    {#if next === null}
        <p class="text-lg font-bold">Everything is in. Label what you filled.</p>
    {:else if empty}
        <p class="text-lg"><b>Empty, onto the scale:</b> {into}</p>
        {#if next.vessel === 'puck-1'}<p class="quiet text-sm">Mix first, and scrape sides, bottom and stick.</p>{/if}
    {:else}
        <p class="text-lg">
            <b>{what}</b> <span class="quiet">into {into}, until the display reads</span>
            <span class="whitespace-nowrap"
                ><b class="fig aim" data-testid="aim">{figure(next.running, 'mass', bench.units, fine)}</b>
                <span class="quiet">{sign('mass', bench.units)}</span></span
            >
        </p>
        {#if next.because !== null}<p class="text-sm">{next.because}</p>{/if}
    {/if}
    {#if next !== null}
        <div class="row">
            {#if scale.speaks}
                <p class="live" class:doubtful={!scale.sound && !empty}>
                    <span class="quiet">on the scale</span>
                    <b class="fig" class:good={good && !empty} class:over={over && !empty} data-testid="live"
                        >{scale.reading.overload ? 'too much' : figure(scale.grams, 'mass', bench.units, fine)}</b
                    >
                    {#if !empty && left !== null}
                        <span class="quiet">{over ? 'over by' : 'still'}</span>
                        <span class="fig">{figure(Math.abs(left), 'mass', bench.units, fine)}</span>
                    {/if}
                    <span class="quiet">{scale.reading.stable ? 'at rest' : 'moving'}</span>
                </p>
            {:else if scale.reading.held_by === null}
                <p class="font-bold text-error" role="alert">{scale.reading.lost} What was weighed can be written into the list below.</p>
            {/if}
            {#if !blocked}<button class="btn btn-primary main" aria-disabled={steady.resting} onclick={() => void go()}
                    >{armed ? texts.waitingForItToRest : empty ? texts.tare : texts.itIsIn}
                    <kbd class="kbd text-base-content">Space</kbd></button
                >{/if}
            {#if takesBack !== null}<button class="btn main" onclick={onback}>{texts.takeBack(takesBack)}</button>{/if}
        </div>
        <ScaleTrouble
            {scale}
            {division}
            {inside}
            {oncount}
            ontake={() => void (empty ? go(true) : scale.takeOver())}
            typing="Or write what was weighed into the list below."
        />
        <Wrong says={trouble} />
        {#if bench.frame?.simulated === true}<StandInHand target={empty ? null : next.running} />{/if}
    {:else if takesBack !== null}
        <button class="btn" onclick={onback}>{texts.takeBack(takesBack)}</button>
    {/if}
</section>

<style>
    .doubtful .fig {
        text-decoration: line-through 0.08em var(--color-error);
    }
    .next {
        background: var(--color-base-200);
        border-radius: 1rem;
        padding: 0.8rem 1rem;
        margin-bottom: 0.8rem;
    }
    @media (min-width: 640px) {
        .next {
            position: sticky;
            top: 0.5rem;
            z-index: 5;
        }
    }
    .aim {
        font-size: 2.4rem;
        line-height: 1.1;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.5rem 0.8rem;
        margin-top: 0.3rem;
    }
    .live {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 0.2rem 0.6rem;
        flex: 1 1 14rem;
    }
    .live b {
        font-size: 1.9rem;
        line-height: 1.1;
    }
    .good {
        color: var(--color-success);
    }
    .over {
        color: var(--color-error);
    }
    .main {
        min-height: 3.5rem;
    }
</style>
