<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { bench as shop } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { figure, sign, span } from '../../lib/units';
    import { calendarDay, when } from '../../lib/when';
    import Faces from '../../parts/Faces.svelte';
    import type { BenchView } from '../../types/server';
    import * as texts from './texts';

    let { bench }: { bench: BenchView } = $props();

    const groups = [
        { id: 'now', title: 'Hands now', empty: 'Nothing needs your hands this minute.' },
        { id: 'next', title: 'Next', empty: 'Nothing is due in the next hours. A finished pour sheet waits here.' },
        { id: 'later', title: 'Later', empty: 'Nothing further out.' },
    ];

    onMount(() => {
        const drop = screenKeys([{ press: 'n', does: 'New job', run: () => router.visit('/jobs?new=1') }]);
        const again = setInterval(() => router.reload({ only: ['bench'] }), 30_000);
        return () => {
            drop();
            clearInterval(again);
        };
    });

    const gone = (from: number, to: number): number => Math.min(100, Math.max(0, ((shop.now - from) / (to - from)) * 100));
</script>

<svelte:head><title>Bench · Apalos</title></svelte:head>

<h1 class="sr-only">{texts.bench}</h1>
<Faces here="/" />
<div class="benches">
    {#each groups as group (group.id)}
        {@const items = bench.items.filter((item) => item.group === group.id)}
        <section aria-labelledby="bench-{group.id}" class={group.id}>
            <h2 id="bench-{group.id}" class="text-2xl">{group.title}</h2>
            {#each items as item (item.id)}
                <article class="item" style="--material:{item.colour}">
                    <div class="min-w-0">
                        <h3 class="text-lg"><a href={item.href}>{item.title}</a></h3>
                        <p class="quiet text-sm">{item.base}</p>
                        <p class="mt-1 font-bold">{item.what}</p>
                    </div>
                    <p class="number">
                        {#if item.number !== null}
                            {@const kind = item.unit === 'ml' ? 'volume' : 'mass'}
                            <span class="fig">{figure(item.number, kind, shop.units, kind === 'mass' ? shop.fine : undefined)}</span
                            >&nbsp;<span class="quiet">{sign(kind, shop.units)}</span>
                        {/if}
                        <span class="quiet block text-sm">{item.label}</span>
                    </p>
                    {#if item.from_ms !== null && item.to_ms !== null}
                        <div class="window" class:over={shop.now > item.to_ms}>
                            <span class="gone" style="width:{gone(item.from_ms, item.to_ms)}%"></span>
                        </div>
                        <p class="text-sm">
                            {#if shop.now > item.to_ms}<b class="due">since {when(item.to_ms, shop.now)}</b>{:else}<span
                                    class="fig font-bold">{span(item.to_ms - shop.now)}</span
                                >
                                left, until {when(item.to_ms, shop.now)}{/if}
                        </p>
                    {/if}
                    <a class="btn {group.id === 'now' ? 'btn-primary' : ''} act" href={item.href}>{item.action}</a>
                </article>
            {:else}
                <p class="quiet mt-3">{group.empty}</p>
            {/each}
            {#if group.id === 'now' && bench.small.length > 0}
                <ul class="small-things" aria-label={texts.toBeRead}>
                    {#each bench.small as thing (thing.what)}<li><a class="link inline-block" href={thing.href}>{thing.what}</a></li>{/each}
                </ul>
            {/if}
        </section>
    {/each}
</div>
{#if bench.ready.length > 0}
    <section class="mt-6" aria-labelledby="bench-ready">
        <h2 id="bench-ready" class="text-2xl">{texts.curingOn}</h2>
        <ul class="small-things">
            {#each bench.ready as one (one.href)}<li class:late={one.late_days > 0}>
                    <a class="link inline-block font-bold" href={one.href}>{one.title}</a>
                    ready {when(one.ready_ms, shop.now)}{one.full ? ', fully cured' : ' for service'}{#if one.wanted_on !== null}; wanted by {calendarDay(
                            one.wanted_on,
                        )}{one.late_days > 0 ? `: ${one.late_days === 1 ? 'a day' : `${String(one.late_days)} days`} late` : ''}{/if}
                </li>{/each}
        </ul>
    </section>
{/if}
<p class="mt-8"><a class="btn" href="/jobs?new=1">{texts.startANewJob} <kbd class="kbd kbd-sm">n</kbd></a></p>

<style>
    .late {
        border-left: 4px solid var(--color-error);
        padding-left: 0.6rem;
    }
    .benches {
        display: grid;
        grid-template-columns: 1.25fr 1fr 1fr;
        gap: 1.25rem 2rem;
        align-items: start;
        margin-top: 0.75rem;
    }
    .item {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.35rem 1rem;
        border-top: 1.5px solid var(--color-base-300);
        padding: 0.9rem 0 1rem 1rem;
        margin-top: 0.6rem;
        position: relative;
    }
    .item::before {
        content: '';
        position: absolute;
        left: 0;
        top: 1rem;
        bottom: 1rem;
        width: 6px;
        border-radius: 3px;
        background: var(--material);
        outline: 1px solid color-mix(in oklab, var(--material) 70%, black);
    }
    .number {
        text-align: right;
        font-size: 1.25rem;
        font-weight: 700;
        white-space: nowrap;
    }
    .now .number .fig {
        font-size: 1.9rem;
        line-height: 1;
    }
    .number .quiet {
        font-weight: 400;
    }
    .window {
        height: 10px;
        align-self: center;
        border: 2px solid var(--color-base-content);
        border-block: 0;
        background: var(--color-base-200);
    }
    .gone {
        display: block;
        height: 100%;
        background: var(--color-accent);
    }
    .next .gone,
    .later .gone {
        background: var(--color-success);
    }
    .small-things {
        display: grid;
        gap: 0.5rem;
        border-top: 1.5px solid var(--color-base-300);
        padding: 0.8rem 0 0 1rem;
        margin-top: 0.6rem;
    }
    .due {
        color: var(--color-accent);
    }
    .act {
        grid-column: 1 / -1;
        justify-self: start;
    }
    @media (max-width: 1000px) {
        .late {
            border-left: 4px solid var(--color-error);
            padding-left: 0.6rem;
        }
        .benches {
            grid-template-columns: 1fr;
        }
    }
</style>
