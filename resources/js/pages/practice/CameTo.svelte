<script lang="ts">
    /** What a practice came to, and where to try again. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { measure, minutes } from '../../lib/units';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import type { TryView } from '../../types/server';
    import { came as words } from './words';
    import * as texts from './texts';

    let { came }: { came: TryView } = $props();
    const badly = $derived(came.findings.filter((one) => !one.good));
    const well = $derived(came.findings.filter((one) => one.good));
    const head: Record<string, string> = {
        good: 'It would have been a good cast.',
        usable: 'It would have been usable.',
        spoilt: 'It would have been waste.',
        nothing: 'Nothing went into a mould.',
    };
    const again = (of: string, fact: number): void => {
        router.post(`/practice/tries/${String(came.id)}/again`, { of, fact });
    };
    const anew = (): void => {
        router.post('/practice', { scenario: came.scenario });
    };
    onMount(() => screenKeys([{ press: 'a', does: 'From the beginning again', run: anew }]));
</script>

<svelte:head><title>{came.name}, practised · Apalos</title></svelte:head>

<p class="quiet"><a class="link" href="/practice">{texts.practice}</a> · {came.name} · {minutes(came.minutes)} on its clock</p>
<h1 class="mt-1 text-3xl">{head[came.would] ?? words[came.would]}</h1>
<div class="mt-3 flex flex-wrap gap-x-10 gap-y-3">
    {#if came.seen.length > 0}<p>
            <span class="quiet block">It would show</span><b>{came.seen.join(', ')}</b>
        </p>{/if}
    <p>
        <span class="quiet block">Lost</span><b class="fig text-2xl"
            >{came.waste.grams > 0
                ? `${measure(came.waste.grams, 'mass', bench.units, 0)} · ${bench.price(Number(came.waste.money))}`
                : 'nothing'}</b
        >
    </p>
</div>
{#if came.causes.length > 0}
    <section class="mt-5" aria-labelledby="causes">
        <h2 id="causes" class="text-xl">{texts.whyAsTheFaultsWouldHave}</h2>
        <ul class="mt-2 grid max-w-prose gap-2">
            {#each came.causes as cause (cause.name)}
                <li><b>{cause.name}</b> <span class="quiet fig">{Math.round(100 * cause.share)} %</span> {cause.next}</li>
            {/each}
        </ul>
    </section>
{/if}

{#snippet list(some: TryView['findings'])}
    <ul class="mt-2 grid gap-3">
        {#each some as one, i (i)}
            <li class="finding">
                <VerdictShape kind={one.good ? 'good' : 'stop'} />
                <div>
                    <p>{one.text}</p>
                    <p class="quiet text-sm">
                        at {minutes(one.at_min)}{one.lost_g > 0
                            ? ` · ${measure(one.lost_g, 'mass', bench.units, 0)}, ${bench.price(Number(one.lost))}`
                            : ''}
                    </p>
                </div>
                {#if !one.good && one.fact !== null}<button class="btn btn-sm" onclick={() => again(one.of, one.fact ?? 0)}
                        >{texts.tryAgainFromHere}</button
                    >{/if}
            </li>
        {/each}
    </ul>
{/snippet}

{#if badly.length > 0}
    <section class="mt-6" aria-labelledby="badly">
        <h2 id="badly" class="text-xl">{texts.whatWouldHaveCostYou}</h2>
        {@render list(badly)}
    </section>
{/if}
{#if well.length > 0}
    <section class="mt-6" aria-labelledby="well">
        <h2 id="well" class="text-xl">{texts.doneWell}</h2>
        {@render list(well)}
    </section>
{/if}

<p class="mt-6 flex flex-wrap gap-3">
    {#if came.going === null}
        <button class="btn btn-primary" onclick={anew}>{texts.fromTheBeginningAgain}</button>
    {/if}
    <a class="btn" href="/practice">{texts.whatComesNext}</a>
</p>

<style>
    .finding {
        display: grid;
        grid-template-columns: auto minmax(0, 46rem) auto;
        gap: 0.75rem;
        align-items: start;
        justify-content: start;
    }
    .finding .btn {
        min-height: 2.75rem;
    }
    @media (max-width: 640px) {
        .finding {
            grid-template-columns: auto 1fr;
        }
        .finding .btn {
            grid-column: 2;
            justify-self: start;
        }
    }
</style>
