<script lang="ts">
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure, type Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    export type Grading = {
        grade: string;
        faults: string[];
        left_g: Entry;
        pieces: Entry;
        note: string;
        scrap?: boolean;
        each: { outcome: string; fault: string }[];
    };
    /** Kept until it is handed in. */
    type Props = {
        run: RunView;
        grading: Grading;
        /** It is part of a larger form: what is left over and noted is asked there. */
        within?: boolean;
    };
    let { run, grading = $bindable(), within = false }: Props = $props();

    const words = [
        ['spoilt', 'not fit for anything'],
        ['poor', 'for practice only'],
        ['usable', 'does its job'],
        ['good', 'as meant'],
        ['superb', 'the one to repeat'],
    ] as const;
    const noted = untrack(() => run.notes.map((n) => n.fault).filter((f) => f !== null));
    if (untrack(() => grading.faults.length) === 0) {
        grading.faults = noted;
    }

    // What was said of the rest while it cured is not asked again.
    if (untrack(() => grading.left_g) === null) {
        grading.left_g = untrack(() => run.left_g);
    }

    function toggle(id: string): void {
        grading.faults = grading.faults.includes(id) ? grading.faults.filter((f) => f !== id) : [...grading.faults, id];
    }
    const outcomes = ['good', 'usable', 'reject'] as const;
    const usual = $derived(['superb', 'good'].includes(grading.grade) ? 'good' : grading.grade === 'usable' ? 'usable' : 'reject');
    const many = $derived(
        typeof grading.pieces === 'number' && Number.isInteger(grading.pieces) && grading.pieces > 1 && grading.pieces <= 60,
    );
    /** A gang one by one, if the maker likes. */
    function oneByOne(): void {
        const wanted = typeof grading.pieces === 'number' ? grading.pieces : 1;
        grading.each = Array.from({ length: wanted }, () => ({ outcome: usual, fault: '' }));
    }
    // Another count keeps what was said of the pieces that are still there.
    $effect(() => {
        const wanted = grading.pieces;
        if (many && typeof wanted === 'number' && grading.each.length > 0 && grading.each.length !== wanted) {
            grading.each = Array.from({ length: wanted }, (_, i) => grading.each[i] ?? { outcome: usual, fault: '' });
        }
    });
    const cause = $derived(run.faults.filter((f) => grading.faults.includes(f.id)));
</script>

{#if within}<h2 class="text-2xl">{texts.howDidItComeOut}</h2>{:else}<h1 class="text-4xl">{texts.howDidItComeOut}</h1>{/if}
<fieldset class="words">
    <legend class="sr-only">{texts.grade}</legend>
    {#each words as [word, means] (word)}
        <label class:on={grading.grade === word}>
            <input type="radio" class="sr-only" name="grade" value={word} bind:group={grading.grade} />
            <b>{word}</b><span>{means}</span>
        </label>
    {/each}
</fieldset>
<fieldset class="mt-4">
    <legend class="quiet">{texts.whatWentWrongIfAnything}</legend>
    <div class="faults">
        {#each run.faults as fault (fault.id)}
            <label class:on={grading.faults.includes(fault.id)}
                ><input
                    type="checkbox"
                    class="sr-only"
                    checked={grading.faults.includes(fault.id)}
                    onchange={() => toggle(fault.id)}
                />{fault.name}</label
            >
        {/each}
    </div>
    {#each cause as fault (fault.id)}<p class="text-sm"><b>{fault.name}.</b> Usually: {fault.cause.toLowerCase()}</p>{/each}
</fieldset>
<div class="mt-4 grid gap-4 {run.kind === 'cast' ? 'sm:grid-cols-[12rem_12rem_1fr]' : 'sm:grid-cols-[14rem_1fr]'}">
    {#if run.kind === 'cast'}<Measure
            label={texts.piecesThatCameOfIt}
            kind="plain"
            bind:value={grading.pieces}
            hint={texts.aGangMouldGivesSeveral}
        />{/if}
    {#if !within}<Measure
            label={texts.leftOver}
            kind="mass"
            bind:value={grading.left_g}
            hint={texts.ofWeighedInWhatIsStill(measure(run.weighed_g, 'mass', bench.units))}
        />{/if}
    {#if run.scrap !== null}<label class="scrap"
            ><input
                type="checkbox"
                class="checkbox"
                checked={grading.scrap ?? run.scrap.worth}
                onchange={(event) => (grading.scrap = event.currentTarget.checked)}
            />
            <span>{texts.whatIsLeftGoesBackOn(run.scrap.worth ? '' : texts.itWasOverItsHeatAnd)}</span></label
        >{/if}
    {#if !within}<label class="grid content-start gap-1"
            ><span class="quiet text-sm">{texts.note}</span><textarea class="textarea w-full" rows="2" bind:value={grading.note}
            ></textarea></label
        >{/if}
</div>

{#if many}
    {#if grading.each.length === 0}
        <p class="mt-3"><button type="button" class="btn big" onclick={oneByOne}>{texts.gradeThePiecesOneByOne}</button></p>
    {:else}
        <fieldset class="mt-3 grid gap-2">
            <legend class="quiet">{texts.pieceByPiece}</legend>
            {#each grading.each as piece, i (i)}
                <div class="piece">
                    <b class="fig">{i + 1}</b>
                    {#each outcomes as outcome (outcome)}
                        <label class:on={piece.outcome === outcome}
                            ><input
                                type="radio"
                                class="sr-only"
                                name="piece-{i}"
                                value={outcome}
                                bind:group={piece.outcome}
                            />{outcome}</label
                        >
                    {/each}
                    {#if piece.outcome !== 'good'}
                        <select class="select" aria-label={texts.whatIsWrongWithPiece(i + 1)} bind:value={piece.fault}>
                            <option value="">{texts.noFaultSaid}</option>
                            {#each run.faults as fault (fault.id)}<option value={fault.id}>{fault.name}</option>{/each}
                        </select>
                    {/if}
                </div>
            {/each}
            <p><button type="button" class="btn btn-ghost big" onclick={() => (grading.each = [])}>{texts.allAlikeAfterAll}</button></p>
        </fieldset>
    {/if}
{/if}

<style>
    .scrap {
        display: flex;
        align-items: center;
        gap: 0.7rem;
        min-height: 3.5rem;
    }
    .piece {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem;
        align-items: center;
    }
    .piece b {
        min-width: 2rem;
    }
    .piece label {
        display: grid;
        place-items: center;
        min-height: 3.5rem;
        padding: 0 1.1rem;
        border: 1.5px solid var(--color-base-300);
        border-radius: 999px;
        cursor: pointer;
        background: var(--color-secondary);
    }
    .piece .on {
        background: var(--color-primary);
        color: var(--color-primary-content);
    }
    .piece .select {
        min-height: 3.5rem;
    }
    .words {
        display: grid;
        grid-template-columns: repeat(5, minmax(0, 1fr));
        gap: 0.5rem;
        margin-top: 1rem;
    }
    .words label {
        display: grid;
        align-content: center;
        min-height: 5rem;
        padding: 0.5rem 0.8rem;
        border: 2px solid var(--color-base-300);
        border-radius: 1.2rem;
        background: var(--color-secondary);
        cursor: pointer;
    }
    .words b {
        font-size: 1.25rem;
    }
    .words span {
        font-size: 0.875rem;
    }
    .on,
    .words .on {
        background: var(--color-primary);
        color: var(--color-primary-content);
        border-color: var(--color-primary);
    }
    label:focus-within {
        outline: 3px solid var(--color-accent);
        outline-offset: 2px;
    }
    .faults {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem;
        margin: 0.4rem 0;
    }
    .faults label {
        border: 1.5px solid var(--color-base-300);
        border-radius: 999px;
        min-height: 3.5rem;
        display: grid;
        place-items: center;
        padding: 0 1.1rem;
        cursor: pointer;
        background: var(--color-secondary);
    }
    .faults .on {
        background: var(--color-primary);
    }
    @media (max-width: 700px) {
        .words {
            grid-template-columns: 1fr;
        }
        .words label {
            min-height: 3.5rem;
        }
    }
</style>
