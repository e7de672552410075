<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure } from '../../lib/units';
    import type { RunView } from '../../types/server';

    let { run, grade }: { run: RunView; grade: NonNullable<RunView['grade']> } = $props();
</script>

<h1 class="text-4xl">In the log: {grade.grade}</h1>
<p class="mt-2 text-lg">
    {measure(grade.used_g, 'mass', bench.units)} really used of {measure(run.weighed_g, 'mass', bench.units)} weighed.
</p>
{#if grade.correction_pct !== null}
    <p class="mt-1">
        {#if Math.abs(grade.correction_pct) < 0.05}The volume was measured right.{:else}The mould took
            <b class="fig">{figure(Math.abs(grade.correction_pct), 'percent', 'metric', 1)} %</b>
            {grade.correction_pct < 0 ? 'less' : 'more'} than was measured, the allowance apart; the next sheet of this link offers that.{/if}
    </p>
{/if}
{#if grade.note !== ''}<p class="mt-2 max-w-prose">{grade.note}</p>{/if}
<p class="mt-5 flex gap-2">
    <a class="btn btn-primary big" href="/jobs/{run.job_id}">Back to the job</a> <a class="btn big" href="/log">The log</a>
</p>
