<script lang="ts">
    /** Everything is done: how did it come out? */
    import { untrack } from 'svelte';
    import type { LiveBuild } from '../../lib/build.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import type { Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import * as texts from './texts';

    let { live }: { live: LiveBuild } = $props();
    const words = ['spoilt', 'poor', 'usable', 'good', 'superb'];
    const typed = new Typing<{ grade: string; faults: string[]; pieces: Entry; note: string }>(
        untrack(() => `build-grade/${String(live.build.id)}`),
        { grade: '', faults: [], pieces: 1, note: '' },
    );
    const said = typed.value;

    async function grade(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (said.grade === '') {
            live.trouble = 'Choose one of the five words first.';
            return;
        }
        await live.record('graded', $state.snapshot(said));
        if (live.build.grade !== null) {
            typed.forget();
        }
    }
</script>

<form class="grid gap-4" onsubmit={grade}>
    <h2 class="text-3xl">{texts.howDidItComeOut}</h2>
    <fieldset class="row">
        <legend class="sr-only">{texts.grade}</legend>
        {#each words as word (word)}<label class="btn big" class:btn-primary={said.grade === word}
                ><input type="radio" class="sr-only" name="grade" value={word} bind:group={said.grade} />{word}</label
            >{/each}
    </fieldset>
    <fieldset class="row">
        <legend class="quiet">{texts.whatWentWrongIfAnything}</legend>
        {#each live.build.faults as fault (fault.id)}<label class="btn" class:btn-primary={said.faults.includes(fault.id)}
                ><input type="checkbox" class="sr-only" value={fault.id} bind:group={said.faults} />{fault.name}</label
            >{/each}
    </fieldset>
    {#if live.build.makes === 'cast'}<Measure label={texts.piecesThatCameOfIt} kind="plain" bind:value={said.pieces} />{/if}
    <label class="grid gap-1"
        ><span class="quiet">{texts.note}</span><textarea class="textarea w-full" rows="2" bind:value={said.note}></textarea></label
    >
    <p><button class="btn btn-primary big">{texts.writeItDown}</button></p>
</form>

<style>
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
    }
    .big {
        min-height: 3.5rem;
    }
    label:focus-within {
        outline: 3px solid var(--color-accent);
        outline-offset: 2px;
    }
</style>
