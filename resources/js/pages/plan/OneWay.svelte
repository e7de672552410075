<script lang="ts">
    /** One whole way: the figure it is best at written large, its line through time, what speaks for and against it, what comes first. */
    import { bench } from '../../lib/bench.svelte';
    import { minutes } from '../../lib/units';
    import type { Best, Way } from '../../lib/ways';
    import { dayInWords, shortDate } from '../../lib/when';
    import Craft from '../../parts/Craft.svelte';
    import WayLine from './WayLine.svelte';
    import * as texts from './texts';

    type Props = {
        way: Way;
        best: Best;
        from: number;
        to: number;
        due: number | null;
        busy: boolean;
        ontake: () => void;
        onwithout?: (code: string) => void;
    };
    let { way, best, from, to, due, busy, ontake, onwithout }: Props = $props();
    let open = $state(false);
    const pct = (share: number): string => `${String(Math.round(100 * share))} %`;
    const large = $derived(
        {
            money: [bench.price(Number(way.per_piece)), 'a piece'],
            done: [shortDate(way.done_ms), 'done'],
            chance: [pct(way.chance), `that the first is good (${pct(way.low)} to ${pct(way.high)})`],
            hands: [minutes(way.hands_min), 'of hands'],
        }[best],
    );
    const small = $derived(
        (
            [
                ['money', bench.price(Number(way.per_piece)), 'a piece'],
                ['done', shortDate(way.done_ms), 'done'],
                ['chance', pct(way.chance), `that the first is good (${pct(way.low)} to ${pct(way.high)})`],
                ['hands', minutes(way.hands_min), 'of hands'],
            ] as const
        ).filter(([key]) => key !== best),
    );
</script>

<article class="way" class:late={way.late_min > 0} aria-label={way.name}>
    <header>
        <h2 class="text-xl">{way.name}</h2>
        <p class="quiet text-sm">
            {#if way.rack === null && way.rubber !== null}{way.rubber}{way.moulds > 1 ? `, ${String(way.moulds)} moulds` : ''}{way.gang !==
                null
                    ? `, ${String(way.gang)} pieces each`
                    : ''}{:else if way.kind === 'bought-in'}nothing made here{/if}{#if way.casting !== null}; cast in {way.casting}{way.release ===
                null
                    ? ''
                    : `, ${way.release}`}{/if}
        </p>
    </header>
    <p class="large"><span class="fig">{large[0]}</span> {large[1]}</p>
    <div>
        <WayLine {way} {from} {to} {due} />
        <p class="quiet flex justify-between text-sm"><span>today</span><span>{shortDate(to)}</span></p>
    </div>
    <dl>
        {#each small as [key, figure, of] (key)}<div>
                <dt class="fig">{figure}</dt>
                <dd class="quiet">{of}</dd>
            </div>{/each}
        <div>
            <dt class="fig">{bench.price(Number(way.cash), 0)}</dt>
            <dd class="quiet">to pay out</dd>
        </div>
    </dl>
    <ul class="says">
        {#each way.against.slice(0, open ? 9 : 2) as why (why)}<li><b class="minus">−</b> <Craft text={why} /></li>{/each}
        {#each way.because.slice(0, open ? 9 : 1) as why (why)}<li><b class="plus">+</b> <Craft text={why} /></li>{/each}
    </ul>
    {#if open}
        <p class="quiet text-sm">{way.rests_on}</p>
        {#if way.raise.length > 0}<p class="font-bold">What would make it surer</p>
            <ul class="says">
                {#each way.raise as what (what)}<li><Craft text={what} /></li>{/each}
            </ul>{/if}
        {#if way.buy.length > 0}<p class="font-bold">To buy</p>
            <ul class="says">
                {#each way.buy as buy (buy.code)}<li>
                        {buy.kits} × <a class="link" href="/stores/{buy.code}">{buy.name}</a>, {bench.price(Number(buy.cash), 0)}
                    </li>{/each}
            </ul>{/if}
        <p class="font-bold">Step by step</p>
        <ol class="says">
            {#each way.line as step, i (i)}<li><span class="quiet">{dayInWords(step.from_ms)}</span> {step.name}</li>{/each}
        </ol>
        {#if onwithout !== undefined && way.base !== null && way.rack === null}
            <button class="btn btn-sm" onclick={() => onwithout(way.base ?? '')}>{texts.without(way.rubber ?? '')}</button>
        {/if}
    {/if}
    <p class="first"><Craft text={way.first} /></p>
    <p class="flex flex-wrap gap-2">
        {#if way.kind !== 'bought-in'}<button class="btn btn-primary" disabled={busy} onclick={ontake}>{texts.takeIt}</button>{/if}
        <button class="btn btn-ghost" aria-expanded={open} onclick={() => (open = !open)}>{open ? texts.less : texts.allOfIt}</button>
    </p>
</article>

<style>
    .way {
        display: grid;
        align-content: start;
        gap: 0.6rem;
        padding: 1rem 1.1rem;
        background: var(--color-secondary);
        border-radius: var(--radius-box);
        min-width: 0;
    }
    .late {
        outline: 2px dashed var(--color-error);
        outline-offset: -2px;
    }
    .large .fig {
        font-size: 2.1rem;
        font-weight: 700;
        line-height: 1;
    }
    dl {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 0.4rem 0.8rem;
        font-size: 0.95rem;
    }
    dd {
        font-size: 0.875rem;
    }
    .says {
        display: grid;
        gap: 0.2rem;
        font-size: 0.95rem;
    }
    .first {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.6rem;
        font-weight: 700;
    }
    .plus {
        color: var(--color-success);
    }
    .minus {
        color: var(--color-error);
    }
</style>
