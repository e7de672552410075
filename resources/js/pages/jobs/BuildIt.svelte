<script lang="ts">
    /** How a link is built: one pour, or a way of several operations, with what that has to know first. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { refused } from '../../lib/refused';
    import { Typing } from '../../lib/typing.svelte';
    import type { Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import Copies from './Copies.svelte';
    import type { JobView, WaysToBuildView } from '../../types/server';
    import * as texts from './texts';

    export type WayToBuild = WaysToBuildView['ways'][number];
    let {
        link,
        ways,
        surfaces,
        onclose,
    }: { link: JobView['chain'][number]; ways: WayToBuild[]; surfaces: Record<string, string>; onclose: () => void } = $props();

    type Said = {
        kind: string;
        area_mm2: Entry;
        flange_mm2: Entry;
        fill_ml: Entry;
        ml: Entry;
        least: Entry;
        most: Entry;
        box: string;
        bed: string;
        dates: string[];
    };
    const typed = new Typing<Said>(
        untrack(() => `build-it/${String(link.id)}`),
        {
            kind: '',
            area_mm2: null,
            flange_mm2: null,
            fill_ml: null,
            ml: null,
            least: null,
            most: null,
            box: untrack(() => link.wall ?? ''),
            bed: untrack(() => link.bed ?? ''),
            dates: [],
        },
    );
    const said = typed.value;
    const fitting = $derived(ways.filter((way) => way.makes.includes(link.kind)));
    const way = $derived(fitting.find((w) => w.id === said.kind) ?? null);
    const asks = (what: string): boolean => way?.asks.includes(what) === true;
    /** Square centimetres are what one measures; the rest is counted in millimetres. */
    const cm = (mm2: Entry): Entry => (typeof mm2 === 'number' ? mm2 / 100 : mm2);
    const mm2 = (v: Entry): Entry => (typeof v === 'number' ? v * 100 : v);

    function plan(event: SubmitEvent): void {
        event.preventDefault();
        const measured: Record<string, unknown> = {};
        for (const [ask, key] of [
            ['area', 'area_mm2'],
            ['flange', 'flange_mm2'],
            ['fill', 'fill_ml'],
            ['ml', 'ml'],
        ] as const) {
            if (asks(ask) && said[key] !== null && said[key] !== '') {
                measured[key] = said[key];
            }
        }
        if (asks('wall') && said.least !== null && said.most !== null) {
            measured.wall_mm = { least: said.least, most: said.most };
        }
        router.post(
            `/impressions/${String(link.id)}/builds`,
            {
                kind: said.kind,
                measured,
                ...(asks('box') && said.box !== '' ? { box: said.box } : {}),
                ...(asks('bed') && said.bed !== '' ? { bed: said.bed } : {}),
                ...(said.dates.length > 0 ? { dates: said.dates } : {}),
            } as never,
            { onSuccess: () => typed.forget() },
        );
    }
</script>

<form class="buildit" onsubmit={plan} aria-labelledby="build-it">
    <h3 id="build-it" class="text-xl">{texts.howIsBuilt(link.name)}</h3>
    <fieldset class="ways">
        <legend class="sr-only">{texts.waysToBuildIt}</legend>
        {#each fitting as one (one.id)}
            <label class:on={said.kind === one.id}
                ><input type="radio" class="sr-only" name="way" value={one.id} bind:group={said.kind} /><b>{one.name}</b><span
                    >{one.what}</span
                ></label
            >
        {:else}
            <p>Nothing is written down for this kind of link yet. Plan a pour, or build it once and keep that as a way of your own.</p>
        {/each}
    </fieldset>
    {#if way !== null}
        <div class="fields">
            {#if asks('area')}<Measure
                    label={texts.areaToCover}
                    kind="plain"
                    suffix="cm²"
                    value={cm(said.area_mm2)}
                    onchange={(v) => (said.area_mm2 = mm2(v))}
                    hint={texts.wrapItInFoilLayThe}
                />{/if}
            {#if asks('flange')}<Measure
                    label={texts.flange}
                    kind="plain"
                    suffix="cm²"
                    value={cm(said.flange_mm2)}
                    onchange={(v) => (said.flange_mm2 = mm2(v))}
                    hint={texts.lengthOfTheSeamTwoFingers}
                />{/if}
            {#if asks('fill')}<Measure
                    label={texts.undercutsToFill}
                    kind="volume"
                    bind:value={said.fill_ml}
                    hint={texts.n0WhereThereAreNone}
                />{/if}
            {#if asks('ml')}<Measure
                    label={texts.itTakesInAll}
                    kind="volume"
                    bind:value={said.ml}
                    hint={texts.clayPressedIntoAMeasureOr}
                />{/if}
            {#if asks('box')}<Choice label={texts.boxWallsAndBaseBoardOf} bind:value={said.box}>
                    <option value="">{texts.notSaidItIsJudgedAs}</option>
                    {#each Object.entries(surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                </Choice>{/if}
            {#if asks('bed')}<Choice label={texts.bedOf} bind:value={said.bed}>
                    <option value="">{texts.notSaidItIsJudgedAs}</option>
                    {#each Object.entries(surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                </Choice>{/if}
            {#if asks('wall')}
                <Measure label={texts.wallAtLeast} kind="length" bind:value={said.least} hint={texts.leftOpenAsThisWayUsually} />
                <Measure label={texts.wallAtMost} kind="length" bind:value={said.most} />
            {/if}
        </div>
    {/if}
    {#if way !== null && link.kind === 'cast'}<Copies bind:dates={said.dates} />{/if}
    <Wrong says={refused('build')} />
    <p class="flex flex-wrap gap-2">
        <button class="btn btn-primary" disabled={way === null}>{texts.planItSo}</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>{texts.close}</button>
    </p>
</form>

<style>
    .buildit {
        display: grid;
        gap: 0.8rem;
        padding: 1rem 1.2rem;
        border-radius: 1.4rem;
        background: var(--color-base-200);
        margin-top: 1rem;
    }
    .ways {
        display: grid;
        gap: 0.4rem;
    }
    .ways label {
        display: grid;
        gap: 0.1rem;
        padding: 0.6rem 0.9rem;
        border: 2px solid var(--color-base-300);
        border-radius: 1rem;
        background: var(--color-secondary);
        cursor: pointer;
        min-height: 2.75rem;
    }
    .ways span {
        font-size: 0.9rem;
    }
    .ways .on {
        border-color: var(--color-primary);
        box-shadow: inset 6px 0 0 var(--color-accent);
    }
    .ways label:focus-within {
        outline: 3px solid var(--color-accent);
        outline-offset: 2px;
    }
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
        gap: 0.7rem;
    }
</style>
