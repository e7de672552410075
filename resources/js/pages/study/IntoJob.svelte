<script lang="ts">
    /** The walls to cut, and all of it into a job in one press. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure, sizes } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ModelFileView, StudyView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        file: ModelFileView;
        jobs: { id: number; name: string }[];
        id: number;
        answer: NonNullable<StudyView['answer']>;
        wrong: string | null;
    };
    let { file, jobs, id, answer, wrong }: Props = $props();
    let job = $state(untrack(() => String(file.jobs[0]?.id ?? jobs[0]?.id ?? '')));
    let board = $state<number | string | null>(6);
    let joint = $state('tabs');
    let kerf = $state<number | string | null>(0);
    const all = $derived([...file.jobs.filter((of) => !jobs.some((one) => one.id === of.id)), ...jobs]);
    const query = $derived(`board=${String(board ?? '')}&joint=${joint}&kerf=${String(kerf ?? 0)}&sheet=${sheet()}`);
    function sheet(): string {
        const long = Math.max(...answer.mould.inner_mm) + 60;
        return `${String(Math.max(600, Math.ceil(long)))}x${String(Math.max(400, Math.ceil(long)))}`;
    }
</script>

<section class="grid content-start gap-3" aria-label={texts.boxAndJob}>
    <h2 class="text-2xl">{texts.intoTheJob}</h2>
    <p>
        Mould, box, seam and vents go into the chain, what each half takes into its pour sheet or planned build, and the piece into the
        sheet of the casts. What has begun stays as it is.
    </p>
    {#if all.length > 0}
        <Choice label={texts.job} bind:value={job}
            >{#each all as one (one.id)}<option value={String(one.id)}>{one.name}</option>{/each}</Choice
        >
        <Wrong says={wrong} />
        <p>
            <button class="btn btn-primary" onclick={() => router.post(`/studies/${String(id)}/job`, { job: Number(job) })}
                >{texts.writeItIntoTheJob}</button
            >
        </p>
        {#if file.jobs.length > 0}<p class="flex flex-wrap gap-2">
                {#each file.jobs as one (one.id)}<a class="btn" href="/jobs/{one.id}/plan">{texts.planIt(one.name)}</a>{/each}
            </p>{/if}
    {:else}<p>There is no job yet: <a class="link" href="/jobs">{texts.beginOne}</a>, and come back.</p>{/if}
    <h3 class="mt-2 text-lg">{texts.wallsToCut}</h3>
    <p class="quiet">
        {sizes(answer.mould.inner_mm, bench.units)} inside; the seam and the fill level are engraved, and the walls stand {measure(
            10,
            'length',
            bench.units,
            0,
        )} above the fill.
    </p>
    <div class="three">
        <Measure label={texts.board} kind="length" bind:value={board} />
        <Choice label={texts.joint} bind:value={joint}
            ><option value="tabs">{texts.tabs}</option><option value="butt">{texts.butt}</option><option value="round"
                >{texts.aRoundWallToWrap}</option
            ></Choice
        >
        <Measure label={texts.widthOfTheCut} kind="length" bind:value={kerf} />
    </div>
    <p class="flex flex-wrap gap-2">
        <a class="btn" href="/studies/{id}/box.svg?{query}" download>{texts.asSvg}</a>
        <a class="btn" href="/studies/{id}/box.dxf?{query}" download>{texts.asDxf}</a>
    </p>
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(7rem, 1fr));
        gap: 0.7rem;
    }
</style>
