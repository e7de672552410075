<script lang="ts">
    /** A pour that was given up: what became of its grams. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run, end }: { run: RunView; end: NonNullable<RunView['given_up']> } = $props();
    const fates: Record<string, string> = { back: 'back in their tubs', elsewhere: 'poured into something else', waste: 'thrown away' };
</script>

<h1 class="text-4xl">{texts.givenUp}</h1>
<p class="mt-2 text-lg">
    {run.weighed_g > 0
        ? `${measure(run.weighed_g, 'mass', bench.units)} were weighed in: ${fates[end.fate] ?? ''}.`
        : 'Nothing was weighed in.'}
</p>
{#if end.note !== ''}<p class="mt-2 max-w-prose">{end.note}</p>{/if}
<p class="mt-5 flex gap-2">
    <a class="btn btn-primary big" href="/jobs/{run.job_id}">{texts.backToTheJob}</a> <a class="btn big" href="/log">{texts.theLog}</a>
</p>
