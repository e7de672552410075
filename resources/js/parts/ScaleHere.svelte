<script lang="ts">
    /**
     * A scale that hangs at this tablet: its port is chosen once, and if its way of writing is none of the usual ones, the figure that is
     * the weight.
     */
    import { bench } from '../lib/bench.svelte';
    import { figuresOf } from '../lib/scaleLine';
    import { StandInPort } from '../lib/standInPort';
    import { tabletScale } from '../lib/tabletScale.svelte';
    import { measure } from '../lib/units';
    import * as texts from './ScaleHere.texts';

    const BAUDS = [1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200];
    let baud = $state(9600);
    let unit = $state('g');
    let standIn = $state.raw<StandInPort | null>(null);
    function pretend(): void {
        standIn = new StandInPort();
        void tabletScale.pretend(standIn);
    }
    const last = $derived(tabletScale.lines.at(-1) ?? '');
    const known = $derived(tabletScale.format !== null && 'way' in tabletScale.format ? tabletScale.format.way : null);
    const way = $derived(tabletScale.ways.find((one) => one.id === known)?.name ?? null);
    const asks = $derived(tabletScale.on && tabletScale.format === null && tabletScale.lines.length > 0);
</script>

<section aria-labelledby="scale-here">
    <h3 id="scale-here" class="font-bold">{texts.aScaleAtThisTablet}</h3>
    {#if !tabletScale.possible && !tabletScale.on}
        <p class="quiet">This browser opens no port. One that does, at a safe address, reads a scale that hangs at the tablet itself.</p>
    {:else if !tabletScale.on}
        <p class="mt-1 flex flex-wrap items-end gap-2">
            <label class="label-text"
                >{texts.speed}
                <select class="select w-32" bind:value={baud}>
                    {#each BAUDS as one (one)}<option value={one}>{one}</option>{/each}
                </select></label
            >
            <button class="btn" onclick={() => void tabletScale.pick(baud)}>{texts.chooseItsPort}</button>
        </p>
    {:else}
        {#if tabletScale.reading !== null}
            <p class="mt-1 fig text-lg" role="status">
                {tabletScale.reading.over ? 'More than it carries' : measure(tabletScale.reading.grams, 'mass', bench.units)}{tabletScale
                    .reading.rests
                    ? ', at rest'
                    : ''}
            </p>
        {/if}
        {#if asks}
            <p class="mt-1">It writes <code>{last}</code>. Which figure is the weight?</p>
            <p class="mt-1 flex flex-wrap items-end gap-2">
                <label class="label-text"
                    >{texts.inWord}
                    <select class="select w-24" bind:value={unit}>
                        {#each ['g', 'kg', 'oz', 'lb'] as one (one)}<option>{one}</option>{/each}
                    </select></label
                >
                {#each figuresOf(last) as figure, i (i)}<button class="btn" onclick={() => tabletScale.point(i, unit)}
                        >{figure.trim()}</button
                    >{:else}
                    <span>There is no figure in it: another speed, or another device.</span>
                {/each}
            </p>
        {:else if tabletScale.lines.length === 0}
            <p class="quiet">Nothing comes yet. Set it to send all the time; or it wants another speed.</p>
        {:else if tabletScale.format !== null}
            <p class="quiet">Read as {way ?? 'the figure you pointed at'}: <code>{last}</code></p>
        {/if}
        <p class="mt-2 flex flex-wrap gap-2">
            {#if tabletScale.format !== null}<button class="btn btn-ghost" onclick={() => (tabletScale.format = null)}
                    >{texts.itIsAnotherFigure}</button
                >{/if}
            <button class="btn btn-ghost" onclick={() => void tabletScale.forget()}>{texts.useItNoMore}</button>
        </p>
    {/if}
    {#if bench.frame?.simulated === true}
        <p class="mt-2 flex flex-wrap gap-2">
            {#if standIn === null || !tabletScale.on}<button class="btn btn-ghost" onclick={pretend}>{texts.tryItWithAStandIn}</button>
            {:else}{#each [1, 10, 50, -1000] as grams (grams)}<button class="btn btn-ghost" onclick={() => standIn?.put(grams)}
                        >{grams < 0 ? texts.clearItsPan : `+${String(grams)} g`}</button
                    >{/each}{/if}
        </p>
    {/if}
    {#if tabletScale.trouble !== null}<p class="mt-1 font-bold" role="alert">{tabletScale.trouble}</p>{/if}
</section>
