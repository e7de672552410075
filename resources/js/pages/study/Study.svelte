<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import { LiveStudy } from '../../lib/study.svelte';
    import { measure, sizes, type Entry } from '../../lib/units';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ModelFileView, RubbersView, StudyView } from '../../types/server';
    import Filling from './Filling.svelte';
    import Floats from './Floats.svelte';
    import Hollow from './Hollow.svelte';
    import IntoJob from './IntoJob.svelte';
    import PieceIn3d from './PieceIn3d.svelte';
    import Stretch from './Stretch.svelte';
    import Together from './Together.svelte';
    import PullAndPour from './PullAndPour.svelte';
    import * as texts from './texts';

    type Props = {
        file: ModelFileView;
        study: StudyView;
        first: StudyView | null;
        rubbers: RubbersView;
        jobs: { id: number; name: string }[];
    };
    let { file, study, first, rubbers, jobs }: Props = $props();
    const live = untrack(() => new LiveStudy(file, study, first));
    const answer = $derived(live.answer);
    const length = (mm: number): string => measure(mm, 'length', bench.units);
    const ml = (value: number): string => measure(value, 'volume', bench.units);

    // A unit or a name changed on the bench computer: it was asked anew there.
    const sent = $derived(study.id);
    $effect(() => {
        if (sent !== untrack(() => live.study.id)) {
            live.take(untrack(() => study));
        }
    });

    let shows = $state<'mould' | 'section' | 'tank'>('mould');
    let cutAt = $state(50);
    let chosen = $state<string | null>(null);
    /** Asked about beside the picture, and drawn in it as wide as it is asked about. */
    let spout = $state({ diameter_mm: 6 as Entry, head_mm: 40 as Entry, vent_mm: 2 as Entry });

    const traps = $derived(
        (answer?.pours[0]?.traps ?? [])
            .filter((trap) => trap.vent)
            .map((trap, i) => ({ ...trap, id: String(i + 1), at: trap.at, mark: String(i + 1) })),
    );
    const doing: Record<string, string> = {
        reading: 'Reading the file',
        measuring: 'Measuring it',
        pulling: 'Looking for the best pull',
        undercuts: 'Looking behind the lips',
        pouring: 'Looking for the best way up',
        stretching: 'Stretching a mould over it',
        done: 'Writing it down',
    };
    const units = [
        ['mm', 'millimetres'],
        ['cm', 'centimetres'],
        ['in', 'inches'],
    ] as const;

    /** As drawn while something else than a width stands there. */
    const width = (entry: Entry): number => (typeof entry === 'number' && entry > 0 ? Math.min(entry, 60) : 1);

    function say(change: Record<string, unknown>): void {
        router.put(`/study/${String(file.id)}`, change as never, { preserveScroll: true, preserveState: true });
    }

    onMount(() => {
        const drop = screenKeys([
            { press: 'x', does: 'Cut the piece open, or close it', run: () => (shows = shows === 'section' ? 'mould' : 'section') },
            { press: 'f', does: 'Lay it into water', run: () => (shows = shows === 'tank' ? 'mould' : 'tank') },
        ]);
        return () => {
            drop();
            live.close();
        };
    });
</script>

<svelte:head><title>{file.name} · Study · Apalos</title></svelte:head>

<p class="quiet">
    <a class="link inline-block min-w-11 py-2" href="/study">{texts.study}</a>
    {#each file.jobs as one, i (one.id)}{i === 0 ? '· for ' : ', '}<a class="link" href="/jobs/{one.id}">{one.name}</a>{/each}
</p>
<h1 class="text-3xl">{file.name}</h1>

<div class="progressing" aria-live="polite">
    {#if live.study.state === 'waiting' || live.study.state === 'running'}
        <span>{live.study.state === 'waiting' ? 'It waits for its turn' : (doing[live.study.doing ?? ''] ?? 'Reading the file')} …</span>
        <progress class="progress w-48" max="1000" value={live.study.done} aria-label={texts.howFarTheStudyIs}></progress>
        <button class="btn" onclick={() => void live.stop()}>{texts.stop}</button>
    {:else if live.study.state === 'cancelled' || live.study.state === 'refused'}
        <Wrong says={live.trouble} />
        <button class="btn" onclick={() => void live.ask()}>{texts.askAgain}</button>
    {:else if live.busy}<span class="quiet">Reckoning …</span>
    {:else if live.trouble !== null}<Wrong says={live.trouble} />{/if}
</div>

{#if answer !== null && live.answered !== null}
    {#if answer.warnings.some((warning) => warning.code === 'maybe_inches')}
        <div class="ask" role="group" aria-label={texts.inWhichUnitIsItDrawn}>
            <p class="font-bold">{answer.warnings.find((warning) => warning.code === 'maybe_inches')?.message}</p>
            {#each units as [unit, name] (unit)}<button class="btn" onclick={() => say({ unit })}>{texts.itIsDrawnIn(name)}</button>{/each}
        </div>
    {/if}
    <div class="two">
        <section class="piece" aria-label={texts.thePiece}>
            <PieceIn3d
                {answer}
                id={live.answered}
                {shows}
                cut={cutAt}
                pins={traps}
                wide={[width(spout.diameter_mm), width(spout.vent_mm)]}
                {chosen}
                onchoose={(id) => (chosen = id)}
            />
            <div class="shows">
                {#each [['mould', 'In its mould'], ['section', 'Cut open'], ['tank', 'In water']] as [id, name] (id)}
                    <label class="btn" class:btn-primary={shows === id}
                        ><input type="radio" class="sr-only" name="shows" value={id} bind:group={shows} />{name}</label
                    >
                {/each}
                {#if shows === 'section'}<label class="grow"
                        ><span class="sr-only">{texts.whereItIsCut}</span><input
                            type="range"
                            class="range"
                            min="2"
                            max="98"
                            bind:value={cutAt}
                        /></label
                    >{/if}
            </div>
        </section>
        <section class="told" aria-label={texts.whatItTells}>
            <ul class="words">
                {#each answer.words as words (words)}<li>{words}</li>{/each}
            </ul>
            <Warnings warnings={[...answer.warnings.filter((warning) => warning.code !== 'maybe_inches'), ...answer.mould.warnings]} />
            <dl class="figures">
                <div>
                    <dt>{texts.volume}</dt>
                    <dd class="fig">{ml(answer.volume_ml)}</dd>
                </div>
                <div>
                    <dt>{texts.size}</dt>
                    <dd class="fig">{sizes(answer.bbox_mm, bench.units)}</dd>
                </div>
                <div>
                    <dt>{texts.surface}</dt>
                    <dd class="fig">{measure(answer.area_mm2, 'area', bench.units, 0)}</dd>
                </div>
                <div>
                    <dt>{texts.hidesHeading}</dt>
                    <dd class="fig">{answer.pull.undercut_area_pct.toFixed(1)} %, {length(answer.pull.undercut_depth_mm)} deep</dd>
                </div>
                <div>
                    <dt>{texts.boxInside}</dt>
                    <dd class="fig">{sizes(answer.mould.inner_mm, bench.units)}</dd>
                </div>
                {#if live.study.asked.one_part}<div>
                        <dt>{texts.rubber}</dt>
                        <dd class="fig">{ml(answer.mould.upper_ml)}</dd>
                    </div>
                {:else}<div>
                        <dt>{texts.rubberBelowAbove}</dt>
                        <dd class="fig">{ml(answer.mould.lower_ml)}, {ml(answer.mould.upper_ml)}</dd>
                    </div>{/if}
                <div>
                    <dt>{texts.sprue}</dt>
                    <dd class="fig">{length(answer.mould.spout.length_mm)} long, {ml(answer.mould.spout.reservoir_ml)} over it</dd>
                </div>
            </dl>
            {#if traps.length > 0}
                <h2 class="text-xl">{texts.whereAirStays}</h2>
                <ol class="traps">
                    {#each traps as trap (trap.id)}
                        <li>
                            <button
                                class="trap"
                                class:on={chosen === trap.id}
                                aria-pressed={chosen === trap.id}
                                onclick={() => (chosen = chosen === trap.id ? null : trap.id)}
                            >
                                <span class="pin" class:mould={trap.kind === 'mould'}>{trap.mark}</span>
                                <span
                                    >{texts.underARiseOf(
                                        trap.kind === 'cast' ? texts.aVentHere : texts.airShutIntoTheRubber,
                                        measure(trap.trapped_ml, 'volume', bench.units, 2),
                                        length(trap.prominence_mm),
                                    )}</span
                                >
                            </button>
                        </li>
                    {/each}
                </ol>
            {/if}
            <IntoJob {file} {jobs} id={live.answered} {answer} wrong={refused('job')} />
        </section>
        <div class="turned"><PullAndPour {live} {file} onsides={(sides) => say({ sides })} /></div>
    </div>
    <div class="more">
        <Filling {answer} {rubbers} bind:spout />
        {#if live.study.asked.one_part}<Stretch id={live.answered} />{/if}
        <Floats {live} {answer} {rubbers} onwater={() => (shows = 'tank')} />
        <Together {answer} {rubbers} />
        <Hollow {answer} {rubbers} />
    </div>
{/if}

<details class="mt-8">
    <summary class="cursor-pointer py-3">{texts.theFile}</summary>
    <p>
        {file.format}, {file.mb.toFixed(1)} MB{answer === null
            ? ''
            : `, ${answer.triangles.toLocaleString('en-GB')} triangles, read in ${units.find(([unit]) => unit === answer.unit)?.[1] ?? answer.unit}`}.
        {file.unit === null ? '' : 'You said so.'}
    </p>
    <p class="mt-2 flex flex-wrap gap-2">
        {#each units as [unit, name] (unit)}<button class="btn" disabled={file.unit === unit} onclick={() => say({ unit })}
                >{texts.itIsDrawnIn(name)}</button
            >{/each}
        <button class="btn btn-ghost" onclick={() => router.delete(`/study/${String(file.id)}`)}>{texts.putThisModelAway}</button>
    </p>
    <Wrong says={refused('model')} />
</details>

<style>
    .progressing {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.8rem;
        min-height: 2.75rem;
    }
    .ask {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.6rem;
        padding: 0.8rem 1rem;
        margin-bottom: 0.8rem;
        background: var(--color-secondary);
        border-radius: 1.2rem;
    }
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1.5fr) minmax(19rem, 1fr);
        gap: 1.5rem;
        align-items: start;
        grid-template-areas: 'piece told' 'ways told';
        grid-template-rows: auto 1fr;
    }
    .shows {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.5rem;
        margin-top: 0.6rem;
    }
    .told {
        grid-area: told;
        display: grid;
        gap: 1rem;
    }
    .piece {
        grid-area: piece;
    }
    .turned {
        grid-area: ways;
    }
    .words {
        display: grid;
        gap: 0.35rem;
        font-size: 1.1rem;
    }
    .figures > div {
        display: flex;
        justify-content: space-between;
        gap: 1rem;
        padding: 0.28rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
    .figures dt {
        color: var(--color-neutral);
    }
    .figures dd {
        text-align: right;
    }
    .traps {
        display: grid;
        gap: 0.2rem;
        max-height: 17rem;
        overflow: auto;
    }
    .trap {
        display: grid;
        grid-template-columns: auto 1fr;
        gap: 0.6rem;
        align-items: center;
        width: 100%;
        min-height: 2.75rem;
        padding: 0.2rem 0.4rem;
        text-align: left;
        border-radius: 0.8rem;
        cursor: pointer;
    }
    .trap.on {
        background: var(--color-secondary);
        outline: 2px solid var(--color-base-content);
    }
    .pin {
        display: grid;
        place-items: center;
        min-width: 1.7rem;
        height: 1.7rem;
        border-radius: 50% 50% 50% 0.2rem;
        background: var(--color-base-content);
        color: var(--color-base-100);
        font-weight: 700;
        font-size: 0.9rem;
    }
    .pin.mould {
        border-radius: 0.3rem;
    }
    .more {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(24rem, 100%), 1fr));
        gap: 2rem;
        margin-top: 2rem;
        align-items: start;
    }
    @media (max-width: 900px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
            grid-template-areas: 'piece' 'told' 'ways';
            grid-template-rows: none;
        }
    }
</style>
