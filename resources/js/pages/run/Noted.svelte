<script lang="ts">
    /** What was noted of a pour, a fault by its name. */
    import { bench } from '../../lib/bench.svelte';
    import { when } from '../../lib/when';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run }: { run: RunView } = $props();
</script>

{#if run.notes.length > 0}
    <ul class="mt-4 text-sm" aria-label={texts.notes}>
        {#if run.notes_before > 0}<li>{run.notes_before} earlier ones are kept with the pour.</li>{/if}
        {#each run.notes as note, i (i)}<li>
                {when(note.at_ms, bench.now)}
                {run.faults.find((f) => f.id === note.fault)?.name ?? ''}
                {note.text}
            </li>{/each}
    </ul>
{/if}
