<script lang="ts">
    /** Which way it is turned now, for how long still, and when it is likely to hang where it is. */
    import { bench } from '../../lib/bench.svelte';
    import { span } from '../../lib/units';
    import { clockTime } from '../../lib/when';
    import type { RunView } from '../../types/server';
    import * as texts from './texts';

    let { run, every }: { run: RunView; every: number } = $props();
    const turned = $derived(Math.max(0, bench.now - run.step_since_ms));
    const turn = $derived(Math.floor(turned / (every * 1000)));
    const left = $derived((turn + 1) * every * 1000 - turned);
</script>

<div class="turn" role="timer" aria-label={texts.turning}>
    <p class="way">{turn % 2 === 0 ? 'End over end' : 'Sideways'}</p>
    <p class="fig time">{span(left)}</p>
    <p class="quiet">
        then {turn % 2 === 0 ? 'sideways' : 'end over end'}; turning for {span(turned)}{run.clock.pot_ends_ms === null
            ? ''
            : `, it stops running at about ${clockTime(run.clock.pot_ends_ms)}`}.
    </p>
</div>

<style>
    .turn {
        margin-top: 1rem;
    }
    .way {
        font-size: 2rem;
        font-weight: 700;
    }
    .time {
        font-size: 4rem;
        font-weight: 700;
        line-height: 1.1;
    }
</style>
