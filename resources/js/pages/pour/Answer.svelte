<script lang="ts">
    import type { Snippet } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveSheet } from '../../lib/pourSheet.svelte';
    import { decimalsOf, figure, measure, minutes, sign } from '../../lib/units';
    import { when } from '../../lib/when';
    import Ready from '../../parts/Ready.svelte';
    import Lines from '../../parts/Lines.svelte';
    import Observations from '../../parts/Observations.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Working from '../../parts/Working.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let {
        live,
        pourId,
        partNames,
        weighOnly,
        children,
    }: { live: LiveSheet; pourId: number; weighOnly: boolean; partNames: { a: string; b: string | null }; children: Snippet } = $props();

    const mix = $derived(live.answer.mix);
    /** What stands in a warning is not said a second time. */
    const cupsTold = $derived(live.answer.warnings.some((one) => one.code === 'cups_in_time'));
    const volume = $derived(live.answer.volume);
    const batch = $derived(mix?.batches[0] ?? null);
    const cure = $derived(live.answer.cure);
    const called = (add: string): string => (add === 'A' ? partNames.a : add === 'B' ? (partNames.b ?? 'B') : add);
    const named = (code: string): string =>
        batch?.lines.find((line) => line.add === called(code) || line.add === code)?.add ?? called(code);
    const step = $derived(live.sheet.plan.scale.division_g);
    const fine = $derived(typeof step === 'number' && step > 0 ? decimalsOf(step, bench.units) : bench.fine);
    const limits = { vessel: 'the cup', scale: 'the scale', pot_life: 'the pot life' };
    const wrong = $derived(live.answer.errors.filter((e) => !e.missing && !/^(volume|formula|plan|target)\./.test(e.field)));
    let open = $state(false);
</script>

<div class="answer" aria-live="polite" aria-busy={!live.fresh}>
    <div class="numbers" class:stale={!live.fresh}>
        <div class="heads">
            {#if volume !== null}
                <p>
                    <span class="quiet">The mould takes</span><br />
                    <span class="fig figure" data-testid="volume">{figure(live.answer.need_ml, 'volume', bench.units)}</span>
                    <span class="quiet">{sign('volume', bench.units)}</span>
                    <span class="quiet block text-sm"
                        >{#if (live.answer.allowance_ml ?? 0) > 0.05}+ {measure(live.answer.allowance_ml ?? 0, 'volume', bench.units)} allowance
                            ={/if}
                        {#if (live.answer.allowance_ml ?? 0) > 0.05 || volume.high_ml - volume.low_ml > 0.5}<b
                                class="fig"
                                data-testid="volume-to-mix">{figure(volume.likely_ml, 'volume', bench.units)}</b
                            >{#if volume.high_ml - volume.low_ml > 0.5}<span class="fig">
                                    ({figure(volume.low_ml, 'volume', bench.units)}–{figure(volume.high_ml, 'volume', bench.units)})</span
                                >{/if}{/if}</span
                    >
                </p>
            {/if}
            {#if mix !== null}
                <p>
                    <span class="quiet">so mix</span><br />
                    <span class="fig figure" data-testid="mass">{figure(mix.mass_g, 'mass', bench.units)}</span>
                    <span class="quiet">{sign('mass', bench.units)}</span>
                    <span class="block text-sm"
                        >{#if mix.batches.length === 1}in one cup{:else}in <b>{mix.batches.length}</b> cups{/if}</span
                    >
                </p>
            {/if}
        </div>
        {#if mix !== null && batch !== null}
            <div class="lines">
                <Lines lines={batch.lines} {called} {fine}>
                    {#snippet caption()}
                        <span class="quiet text-sm">Into {mix.batches.length === 1 ? 'the' : 'each'} cup, in this order</span>
                    {/snippet}
                </Lines>
            </div>
            {#if mix.by_volume !== null}
                <p class="mt-1 text-sm">
                    By volume, as its sheet allows: {called('A')}
                    {measure(mix.by_volume.a_ml, 'volume', bench.units, 1)}, {called('B')}
                    {measure(mix.by_volume.b_ml, 'volume', bench.units, 1)} a cup.
                </p>
            {/if}
            {#if weighOnly}<p class="mt-1 text-sm">Weigh it: its sheet does not allow cups and marks.</p>{/if}
            <dl class="times">
                {#if mix.pot_life_min !== null}<div>
                        <dt>{texts.poursFor}</dt>
                        <dd class="fig">{minutes(mix.pot_life_min)}</dd>
                    </div>{/if}
                {#if mix.usable_min !== null}<div>
                        <dt>{texts.leftToPour}</dt>
                        <dd class="fig">{minutes(mix.usable_min)}</dd>
                    </div>{/if}
                {#if cure?.demould_min !== undefined}<div>
                        <dt>{texts.openAt}</dt>
                        <dd class="fig">
                            {when(bench.now + cure.demould_min.likely * 60_000, bench.now)}, in {minutes(cure.demould_min.likely)}
                        </dd>
                    </div>{/if}
                {#if live.answer.hardness !== null}<div>
                        <dt>{texts.willReadAbout}</dt>
                        <dd class="fig" data-testid="hardness">
                            <a class="link inline-block" href="/swatches?base={live.sheet.formula.base}&pour={pourId}"
                                >{live.answer.hardness}</a
                            >
                        </dd>
                    </div>{/if}
                {#if mix.limit !== null && mix.batches.length > 1}<div>
                        <dt>{texts.aCupIsLimitedBy}</dt>
                        <dd>{limits[mix.limit]}</dd>
                    </div>{/if}
            </dl>
            {#if mix.pot_life_min !== null && typeof live.sheet.formula.base === 'string' && live.sheet.formula.base !== ''}<Observations
                    base={live.sheet.formula.base}
                />{/if}
            {#if mix.cups !== null}
                <p class="mt-2 text-sm" data-testid="cups">
                    {#if !cupsTold}{mix.cups.count} cups as one pour: <b class="fig">{minutes(mix.cups.total_min)}</b> from the first
                        meeting to the last drop{mix.cups.hands === 1 ? ' with one pair of hands' : ' with two pairs of hands'}.{/if}
                    {{
                        wet: 'Each meets the one before still wet.',
                        tacky: 'Each bonds to the one before as a coat does, its line may show.',
                        set: 'The one before has set by then.',
                    }[mix.cups.joins]}
                    {#if mix.cups.ahead.length > 0}Weighed ahead into every cup: {mix.cups.ahead.map(named).join(', ')}.{/if}
                    {#if !cupsTold}A cup or bucket of {measure(mix.cups.all_in_ml, 'fluid', bench.units)} takes all at once{mix.limit ===
                        'pot_life'
                            ? `, with a base that pours for ${minutes(mix.cups.slower_min)}`
                            : ''}.{/if}
                    {#if live.answer.slower.length > 0}Slow enough for one cup, of yours: {live.answer.slower.join(', ')}.{/if}
                </p>
            {/if}
        {:else}
            <p class="quiet mt-2 max-w-prose">What to weigh stands here as soon as the volume and the formula are filled in.</p>
        {/if}
    </div>
    <p class="working-out" class:on={!live.fresh} aria-hidden={live.fresh}>{live.trouble === null ? 'working it out …' : ''}</p>
    {#if mix !== null}<Ready {...live.answer.ready} planned />{/if}
    <Wrong says={live.trouble} />
    {#each wrong as e (e.field)}<p class="font-bold text-error" role="alert">{e.message}</p>{/each}
    {@render children()}
    <div class:stale={!live.fresh}><Warnings warnings={live.answer.warnings} /></div>
    {#if volume !== null || mix !== null}
        <Working lines={[...(volume?.working ?? []), ...(mix?.working ?? [])]} stale={!live.fresh} bind:open>
            {#if volume !== null}<p class="mt-2 text-sm font-bold">{volume.advice}</p>{/if}
            {#if cure !== null && cure.rests_on > 0}<p class="mt-1 text-sm">
                    The clock rests on {cure.rests_on}
                    {cure.rests_on === 1 ? 'gel' : 'gels'} watched in this shop.
                </p>{/if}
        </Working>
    {/if}
</div>

<style>
    .answer {
        display: grid;
        gap: 0.6rem;
    }
    .heads {
        display: grid;
        grid-template-columns: 1fr 1.3fr;
        gap: 0.75rem;
    }
    .figure {
        font-size: 2.4rem;
        font-weight: 700;
        line-height: 1.05;
    }
    .working-out {
        height: 1rem;
        line-height: 1rem;
        font-size: 0.875rem;
        visibility: hidden;
        margin-block: -0.4rem;
    }
    .working-out.on {
        visibility: visible;
    }
    .lines {
        margin-top: 0.5rem;
    }
    .times {
        display: flex;
        flex-wrap: wrap;
        gap: 0.3rem 1.4rem;
        margin-top: 0.6rem;
    }
    dt {
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    dd {
        font-weight: 700;
    }
</style>
