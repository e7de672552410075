<script lang="ts">
    /** Why the scale is not believed just now, and the ways on. */
    import { bench } from '../lib/bench.svelte';
    import type { LiveScale } from '../lib/scale.svelte';
    import { decimalsOf, measure } from '../lib/units';
    import { when } from '../lib/when';
    import * as texts from './ScaleTrouble.texts';

    type Props = {
        scale: LiveScale;
        division: number;
        /** What is in the cup, in words; null while nothing is. */
        inside: string | null;
        /** From this reading on the display counts again. */
        oncount: (reading: number, inLine: number) => void;
        /** Takes the scale from another weigh-up. */
        ontake: () => void;
        /** What typing is called here, and how it is done. */
        typing: string;
        ontype?: () => void;
    };
    let { scale, division, inside, oncount, ontake, typing, ontype }: Props = $props();

    const grams = (g: number): string => measure(g, 'mass', bench.units, decimalsOf(division, bench.units));
    const reading = $derived(scale.reading);
    const trouble = $derived(reading.trouble);
    const now = $derived(reading.grams);
    const kind = $derived(trouble?.kind);

    const heading: Record<string, string> = {
        fell: 'The display reads too little',
        jumped: 'The display jumped',
        crept: 'The display has crept',
        unit: 'The scale shows another unit',
        elsewhere: 'The scale was elsewhere',
    };
    /** The reading from which it counts on: where it fell to, or what it shows at rest. */
    const from = $derived(kind === 'fell' || kind === 'crept' ? (trouble?.saw_g ?? now) : now);
    const canCount = $derived(kind !== 'unit' && from !== null && (kind === 'fell' || kind === 'crept' || reading.stable));
</script>

{#if reading.held_by !== null}
    <section class="trouble" role="alert" aria-label={texts.theScaleServesAnotherWeighUp}>
        <h2>
            {texts.theScaleServes} <a class="link" href={reading.held_by.href}>{reading.held_by.title}</a>
        </h2>
        <p>
            Since {reading.held_by.since_ms === null ? 'a while' : when(reading.held_by.since_ms, bench.now)}. It counts one cup at a time.
            Taken over, the other weigh-up stops until it gets the scale back.
        </p>
        <div class="ways">
            <button class="btn big" onclick={ontake}>{texts.takeTheScaleOver}</button>
            {#if ontype !== undefined}<button class="btn big" onclick={ontype}>{typing}</button>{:else}<p class="quiet">{typing}</p>{/if}
        </div>
    </section>
{:else if trouble !== null}
    <section class="trouble" role="alert" aria-label={texts.theScaleIsNotBelieved} data-testid="scale-trouble">
        <h2>{heading[trouble.kind] ?? texts.theScaleIsNotBelieved}</h2>
        <p>
            {#if kind === 'fell'}
                It fell to <b class="fig">{grams(trouble.saw_g ?? 0)}</b>{inside === null ? '' : `, with ${inside} in the cup`}. It should
                read
                <b class="fig">{grams(trouble.expected_g)}</b> or more. Was it set to zero, was the cup lifted, or is it another cup?
            {:else if kind === 'jumped'}
                It rose to <b class="fig">{grams(trouble.saw_g ?? 0)}</b> faster than anybody pours. Was something set down beside the cup?
            {:else if kind === 'crept'}
                Nothing was poured, and it crawled from <b class="fig">{grams(trouble.expected_g)}</b> to
                <b class="fig">{grams(trouble.saw_g ?? 0)}</b>. A draught, a slope, a scale still warming up?
            {:else if kind === 'unit'}
                It shows <b>{reading.unit}</b>. Set it back to g; what is in the cup stays as it is written down.
            {:else}
                Another cup stood on it meanwhile. Put this cup back{inside === null ? '' : `, ${inside} in it`}, and let it rest.
            {/if}
        </p>
        {#if trouble.in_line_g > 0 && kind !== 'unit'}<p>
                Of what is asked for now <b class="fig">{grams(trouble.in_line_g)}</b> had gone in; it stays counted.
            </p>{/if}
        <div class="ways">
            {#if kind === 'jumped'}<button class="btn big" onclick={() => void scale.accept()}>{texts.allOfItIsInThe}</button>{/if}
            {#if kind === 'crept'}<button class="btn big" onclick={() => void scale.accept()}>{texts.goOnItIsInThe}</button>{/if}
            {#if canCount && from !== null}
                <button class="btn big" onclick={() => oncount(from, trouble.in_line_g)}
                    >{kind === 'fell'
                        ? texts.itWasSetToZeroCount(grams(from))
                        : kind === 'jumped'
                          ? texts.itStandsBesideCountFrom(grams(from))
                          : texts.countFrom(grams(from))}</button
                >
            {/if}
            {#if ontype !== undefined}<button class="btn big" onclick={ontype}>{typing}</button>{:else}<p class="quiet">{typing}</p>{/if}
        </div>
        {#if kind === 'fell' || kind === 'jumped'}<p class="quiet mt-2">
                {kind === 'fell' ? 'Or put it back as it was' : 'Or take it away again'}: it goes on by itself.
                {#if now !== null}Now it reads <span class="fig">{grams(now)}</span>.{/if}
            </p>{/if}
    </section>
{/if}

<style>
    .trouble {
        border: 2px solid var(--color-error);
        border-radius: 1.1rem;
        padding: 1rem 1.2rem;
        margin-block: 0.8rem;
        background: var(--color-base-100);
        max-width: 46rem;
    }
    h2 {
        font-size: 1.6rem;
        line-height: 1.2;
    }
    .ways {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        margin-top: 0.8rem;
        align-items: center;
    }
    .ways .btn {
        min-height: 3.5rem;
        height: auto;
        max-width: 100%;
        white-space: normal;
        padding-block: 0.4rem;
        font-size: 1.1rem;
    }
</style>
