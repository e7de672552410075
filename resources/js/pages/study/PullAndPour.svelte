<script lang="ts">
    /** Which way it is pulled, which way up it is poured, where its seam runs and how much room is left: each a slider the core answers. */
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { axes, leaning, leant, read, written, type LiveStudy } from '../../lib/study.svelte';
    import { figure, measure } from '../../lib/units';
    import TextLine from '../../parts/TextLine.svelte';
    import type { ModelFileView } from '../../types/server';
    import * as texts from './texts';

    let { live, file, onsides }: { live: LiveStudy; file: ModelFileView; onsides: (sides: Record<string, string>) => void } = $props();
    const answer = $derived(live.answer);
    const called = (axis: number): string => file.sides[axes[axis]?.side ?? ''] ?? axes[axis]?.usual ?? '';
    const pull = $derived(leaning(read(live.asked.pull) ?? toPoint(answer?.pull.axis)));
    const pour = $derived(leaning(read(live.asked.pour) ?? toPoint(answer?.pours[0]?.up)));
    const height = $derived((answer?.frame.most[2] ?? 0) - (answer?.frame.least[2] ?? 0));
    const seam = $derived(live.asked.seam_mm ?? (answer === null ? 0 : answer.frame.plane - (answer.frame.least[2] ?? 0)));
    const schools = [
        ['thrifty', 'thrifty'],
        ['standard', 'standard'],
        ['heavy', 'heavy'],
    ] as const;
    let naming = $state(false);
    let sides = $state<Record<string, string>>(untrack(() => ({ ...file.sides })));

    function toPoint(way: readonly number[] | undefined): [number, number, number] {
        return [way?.[0] ?? 0, way?.[1] ?? 0, way?.[2] ?? 1];
    }
    /** The two sides an axis leans to: the positive ends of the other two. */
    const leansTo = (axis: number, second: boolean): [string, string] => {
        const way = axes[axis]?.way ?? [0, 0, 1];
        const ends =
            Math.abs(way[2]) > 0.5
                ? second
                    ? [3, 2]
                    : [5, 4]
                : Math.abs(way[1]) > 0.5
                  ? second
                      ? [1, 0]
                      : [5, 4]
                  : second
                    ? [1, 0]
                    : [3, 2];
        return [called(ends[0] ?? 0), called(ends[1] ?? 0)];
    };
    const same = (a: readonly number[], b: readonly number[]): boolean => a.every((part, i) => Math.abs(part - (b[i] ?? 0)) < 1e-3);
</script>

{#snippet lean(what: 'pull' | 'pour', at: { axis: number; first: number; second: number })}
    <div class="axes" role="group" aria-label={what === 'pull' ? texts.whichWayTheMouldIsPulled : texts.whichSideIsUpWhenIt}>
        {#each axes as axis, i (axis.side)}
            <button
                class="btn"
                class:btn-primary={at.axis === i}
                aria-pressed={at.axis === i}
                onclick={() => live.change({ [what]: written(axis.way) })}>{called(i)}</button
            >
        {/each}
    </div>
    {#each [false, true] as second (second)}
        {@const ends = leansTo(at.axis, second)}
        {@const value = second ? at.second : at.first}
        <label class="slide"
            ><span class="quiet">{ends[0]}</span><input
                type="range"
                class="range"
                min="-45"
                max="45"
                {value}
                aria-label={texts.leaningFromTheToThe(what === 'pull' ? texts.pull : texts.pour, ends[0], ends[1])}
                aria-valuetext="{Math.abs(value)}° to the {value < 0 ? ends[0] : ends[1]}"
                oninput={(event) =>
                    live.change({
                        [what]: written(
                            leant(
                                at.axis,
                                second ? at.first : Number(event.currentTarget.value),
                                second ? Number(event.currentTarget.value) : at.second,
                            ),
                        ),
                    })}
            /><span class="quiet">{ends[1]}</span><span class="fig deg">{Math.abs(value)}°</span></label
        >
    {/each}
{/snippet}

{#if answer !== null}
    <div class="ways">
        <section aria-label={texts.pull}>
            <h2 class="text-xl">{texts.pullTowardsThe}</h2>
            {#if live.found.pulls.length > 1}
                <p class="found">
                    Found:
                    {#each live.found.pulls as one, i (i)}<button
                            class="btn btn-sm"
                            aria-pressed={same(one.axis, answer.pull.axis)}
                            onclick={() => live.change({ pull: written(one.axis) })}
                            >{texts.hides(i + 1, one.undercut_area_pct.toFixed(1))}</button
                        >{/each}
                </p>
            {/if}
            {@render lean('pull', pull)}
            <label class="tick"
                ><input
                    type="checkbox"
                    class="checkbox"
                    checked={live.asked.one_part}
                    onchange={(event) => live.change({ one_part: event.currentTarget.checked })}
                />
                {texts.aMouldOfOnePartPulled}</label
            >
        </section>
        <section aria-label={texts.pour}>
            <h2 class="text-xl">{texts.pourItWithThisSideUp}</h2>
            {#if live.found.pours.length > 1}
                <p class="found">
                    Found:
                    {#each live.found.pours as one, i (i)}<button
                            class="btn btn-sm"
                            aria-pressed={same(one.up, answer.pours[0]?.up ?? [])}
                            onclick={() => live.change({ pour: written(one.up) })}
                            >{i + 1}. {one.vents === 0
                                ? texts.noAirStays
                                : `${String(one.vents)} ${one.vents === 1 ? texts.vent : texts.ventsWithin}`}</button
                        >{/each}
                </p>
            {/if}
            {@render lean('pour', pour)}
            <button
                class="btn mt-1"
                onclick={() => {
                    live.asked = { ...live.asked, pull: null, pour: null, seam_mm: null };
                    void live.ask();
                }}>{texts.findTheBestPullAndPour}</button
            >
        </section>
        <section aria-label={texts.seamAndWalls}>
            <h2 class="text-xl">{texts.seamAndWalls}</h2>
            {#if !live.asked.one_part}<label class="slide"
                    ><span class="quiet">{texts.seam}</span><input
                        type="range"
                        class="range"
                        min="0"
                        max={Math.max(1, Math.round(height))}
                        value={Math.round(seam)}
                        aria-label={texts.heightOfTheSeam}
                        aria-valuetext="{measure(seam, 'length', bench.units)} above the lowest point"
                        oninput={(event) => live.change({ seam_mm: Number(event.currentTarget.value) })}
                    /><span class="fig deg">{measure(seam, 'length', bench.units, 0)}</span></label
                >
                {#if (answer.mould.locks_pct ?? 0) >= 0.5}<p
                        class="text-sm {live.asked.seam_mm === null ? 'quiet' : 'font-bold text-error'}"
                        role="status"
                    >
                        Parted level there, {figure(answer.mould.locks_pct ?? 0, 'percent', 'metric', 1)} % of the surface is locked in.
                    </p>{/if}
                {#if live.asked.seam_mm !== null}<button class="btn btn-sm" onclick={() => live.change({ seam_mm: null })}
                        >{texts.whereItPartsByItself}</button
                    >{/if}
            {/if}
            <fieldset>
                <legend class="quiet">{texts.roomRoundThePiece}</legend>
                <div class="axes">
                    {#each schools as [id, name] (id)}<button
                            class="btn"
                            class:btn-primary={live.asked.school === id}
                            aria-pressed={live.asked.school === id}
                            onclick={() => live.change({ school: id, wall_mm: null })}>{name}</button
                        >{/each}
                    <span class="fig">{measure(answer.mould.margin_mm, 'length', bench.units, 0)}</span>
                </div>
            </fieldset>
            <button class="btn btn-ghost" aria-expanded={naming} onclick={() => (naming = !naming)}>{texts.nameItsSides}</button>
            {#if naming}
                <form
                    class="names"
                    onsubmit={(event) => {
                        event.preventDefault();
                        onsides(Object.fromEntries(Object.entries(sides).filter(([, name]) => name.trim() !== '')));
                        naming = false;
                    }}
                >
                    {#each axes as axis (axis.side)}<TextLine
                            label={texts.theIsIts(axis.usual)}
                            bind:value={sides[axis.side]}
                            maxlength={24}
                        />{/each}
                    <button class="btn btn-primary">{texts.callThemSo}</button>
                </form>
            {/if}
        </section>
    </div>
{/if}

<style>
    .ways {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
        gap: 2rem;
        margin-top: 1.8rem;
        align-items: start;
    }
    section {
        display: grid;
        gap: 0.6rem;
        justify-items: start;
    }
    .axes,
    .found {
        display: flex;
        flex-wrap: wrap;
        gap: 0.35rem;
        align-items: center;
    }
    .slide {
        display: grid;
        grid-template-columns: minmax(3.2rem, auto) minmax(6rem, 1fr) minmax(3.2rem, auto) 3.2rem;
        gap: 0.6rem;
        align-items: center;
        width: 100%;
        min-height: 2.75rem;
    }
    .slide:not(:has(> span:nth-of-type(3))) {
        grid-template-columns: minmax(3.2rem, auto) minmax(6rem, 1fr) 4rem;
    }
    .deg {
        text-align: right;
    }
    .tick {
        display: flex;
        gap: 0.7rem;
        align-items: center;
        min-height: 2.75rem;
    }
    .names {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 0.6rem;
    }
</style>
