<script lang="ts">
    /** A label for the cup that is being mixed: what is in it, since when and until when it may be poured. */
    import { bench } from '../../lib/bench.svelte';
    import type { LabelText } from '../../lib/drawnLabel';
    import { measure } from '../../lib/units';
    import { clockTime } from '../../lib/when';
    import PrintLabels from '../../parts/PrintLabels.svelte';
    import type { RunView } from '../../types/server';

    let { run }: { run: RunView } = $props();
    const text = $derived.by((): LabelText => {
        const { met_ms: met, pot_ends_ms: ends } = run.clock;
        const fine = run.division_g < 0.1 ? 2 : 1;
        return {
            code: run.batches > 1 ? `Cup ${String(run.step.batch)}` : 'Cup',
            name: `${run.formula} · ${run.job}`,
            lines: [
                met === null ? 'not catalysed yet' : `${run.worked.met} ${clockTime(met)}`,
                ends === null ? '' : `pours until ${clockTime(ends)}`,
                ...run.cup.fills
                    .filter((fill) => fill.poured_g > 0)
                    .map((fill) => `${measure(fill.poured_g, 'mass', bench.units, fine)} ${fill.name}`),
            ].filter((line) => line !== ''),
            href: `/pours/${String(run.pour_id)}/run`,
        };
    });
    const weighed = $derived(run.cup.fills.some((fill) => fill.poured_g > 0));
</script>

{#if weighed}<div class="mt-3">
        <PrintLabels words="Label for this cup" big labels={[{ what: `${text.code} of ${run.impression}, ${run.job}`, text }]} />
    </div>{/if}
