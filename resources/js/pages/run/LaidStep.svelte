<script lang="ts">
    /** A coat, or a part, of a build that goes on: it lies where it belongs. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import { when } from '../../lib/when';
    import type { LiveRun } from '../../lib/run.svelte';
    import Gelled from './Gelled.svelte';

    let { live }: { live: LiveRun } = $props();
    const run = $derived(live.run);
</script>

<h1 class="text-4xl">It lies.</h1>
<p class="mt-2 text-lg">
    {measure(run.weighed_g, 'mass', bench.units)}{run.wait.poured_ms === null ? '' : `, since ${when(run.wait.poured_ms, bench.now)}`}. What
    comes next, and its window, stand on the build.
</p>
<p class="mt-2 max-w-prose">Keep what is left in the cup: when it no longer runs, tap below, and the clock of this base gets better.</p>
<Gelled {live} />
<p class="mt-5 flex gap-2"><a class="btn btn-primary big" href="/builds/{run.build_id}">Back to the build</a></p>
