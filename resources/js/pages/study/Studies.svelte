<script lang="ts">
    import { Link, router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure, sizes } from '../../lib/units';
    import { Upload } from '../../lib/upload.svelte';
    import { when } from '../../lib/when';
    import Wrong from '../../parts/Wrong.svelte';
    import type { StudiedView } from '../../types/server';
    import * as texts from './texts';

    let { studied, job }: { studied: StudiedView; job: { id: number; name: string } | null } = $props();
    const upload = new Upload();
    let over = $state(false);
    let input = $state<HTMLInputElement>();

    async function take(files: FileList | null | undefined): Promise<void> {
        const file = files?.[0];
        if (file === undefined || upload.under) {
            return;
        }
        const made = await upload.send<{ id: number }>(file, job === null ? {} : { job: job.id });
        if (input !== undefined) {
            input.value = '';
        }
        if (made !== null) {
            router.visit(`/study/${String(made.id)}`);
        }
    }
</script>

<svelte:head><title>Study · Apalos</title></svelte:head>

<h1 class="text-4xl">{texts.studyAPieceBeforeAnythingIs}</h1>
<p class="mt-1 max-w-prose">
    Drop in its model, a print or a scan of the sculpt: can it come out, where should the seam run, which way up, where does air stay, how
    much does each half take.{job === null ? '' : ` It is for “${job.name}”.`}
</p>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
    class="drop"
    class:over
    ondragover={(event) => {
        event.preventDefault();
        over = true;
    }}
    ondragleave={() => (over = false)}
    ondrop={(event) => {
        event.preventDefault();
        over = false;
        void take(event.dataTransfer?.files);
    }}
>
    {#if upload.under}
        <p role="status">On its way to the bench computer: {Math.round(100 * upload.share)} %</p>
        <progress class="progress w-64" max="1" value={upload.share} aria-label={texts.howMuchOfTheFileIs}></progress>
        <button class="btn" onclick={() => upload.stop()}>{texts.stop}</button>
    {:else}
        <label class="btn btn-primary big"
            >{texts.chooseAModel}<input
                bind:this={input}
                type="file"
                class="sr-only"
                accept=".stl,.obj,.ply,.3mf"
                onchange={(event) => void take(event.currentTarget.files)}
            /></label
        >
        <p class="quiet">or drop it here. STL, OBJ, PLY or 3MF, up to 128 MB. It stays on this bench computer.</p>
    {/if}
</div>
<Wrong says={upload.says} />

{#if studied.models.length > 0}
    <h2 class="mt-8 text-2xl">{texts.studiedSoFar}</h2>
    <ul class="models">
        {#each studied.models as model (model.id)}
            <li>
                <a class="card-paper" href="/study/{model.id}">
                    <b class="name">{model.name}</b>
                    <span class="quiet">{model.job ?? texts.noJobYet} · {when(model.at_ms, bench.now)}</span>
                    {#if model.volume_ml !== null && model.bbox_mm !== null}
                        <span class="fig">{measure(model.volume_ml, 'volume', bench.units)} · {sizes(model.bbox_mm, bench.units)}</span>
                        <span
                            >{(model.undercut_pct ?? 0) < 0.5
                                ? texts.comesOutClean
                                : texts.hides2((model.undercut_pct ?? 0).toFixed(1))}{model.watertight === false
                                ? texts.andItLeaks
                                : ''}</span
                        >
                    {:else}<span class="quiet">{texts.notAnsweredYet}</span>{/if}
                </a>
            </li>
        {/each}
    </ul>
    <p class="mt-4 flex gap-3">
        {#if studied.page > 1}<Link class="btn" href="/study?page={studied.page - 1}">Newer</Link>{/if}
        {#if studied.more}<Link class="btn" href="/study?page={studied.page + 1}">Older</Link>{/if}
    </p>
{/if}

<style>
    .drop {
        display: grid;
        justify-items: center;
        gap: 0.8rem;
        margin-top: 1.5rem;
        padding: 2.2rem 1rem;
        border: 2.5px dashed var(--color-base-300);
        border-radius: 2rem 2rem 2rem 0.6rem;
        text-align: center;
    }
    .drop.over {
        border-color: var(--color-primary);
        background: var(--color-secondary);
    }
    .models {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(min(17rem, 100%), 1fr));
        gap: 0.9rem;
        margin-top: 0.8rem;
    }
    .models a {
        display: grid;
        gap: 0.2rem;
        min-height: 100%;
        align-content: start;
    }
    .name {
        overflow-wrap: anywhere;
        font-size: 1.1rem;
    }
</style>
