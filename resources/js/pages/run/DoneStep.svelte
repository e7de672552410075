<script lang="ts">
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure } from '../../lib/units';
    import Ready from '../../parts/Ready.svelte';
    import type { KeptView, RunView } from '../../types/server';
    import { melted } from '../stores/lots';
    import * as texts from './texts';

    let { run, grade, kept }: { run: RunView; grade: NonNullable<RunView['grade']>; kept: KeptView | null } = $props();
    const homes = $derived([...new Map((kept?.pieces ?? []).map((piece) => [piece.mould_id, piece.mould])).entries()]);
    const rejects = $derived((kept?.pieces ?? []).filter((piece) => piece.outcome === 'reject').length);
</script>

<h1 class="text-4xl">{texts.inTheLog(grade.grade)}</h1>
<p class="mt-2 text-lg">
    {measure(grade.used_g, 'mass', bench.units)} really used of {measure(run.weighed_g, 'mass', bench.units)} weighed.
</p>
{#if (run.ready.ready_ms ?? 0) > bench.now}<div class="mt-1"><Ready {...run.ready} /></div>{/if}
{#if grade.correction_pct !== null}
    <p class="mt-1">
        {#if Math.abs(grade.correction_pct) < 0.05}The volume was measured right.{:else}The mould took
            <b class="fig">{figure(Math.abs(grade.correction_pct), 'percent', 'metric', 1)} %</b>
            {grade.correction_pct < 0 ? 'less' : 'more'} than was measured, the allowance apart; the next sheet of this link offers that.{/if}
    </p>
{/if}
{#if kept !== null && kept.pieces.length > 0}
    <p class="mt-1">
        {kept.pieces.length === 1 ? 'One piece' : `${String(kept.pieces.length)} pieces`}{rejects > 0 && kept.pieces.length > 1
            ? `, ${String(rejects)} of them rejects`
            : ''},
        {#each homes as [id, name], i (id)}{i > 0 ? ' and ' : ''}{#if id === null}out of no mould the rack knows{:else}out of <a
                    class="link"
                    href="/rack/{id}">{name}</a
                >{/if}{/each}.
    </p>
{/if}
{#if kept !== null && kept.draws.length > 0}
    <p class="mt-1">
        Taken from {#each kept.draws as draw, i (i)}{i > 0 ? ', ' : ''}{#if draw.lot_id === null}<b>no kit by the book</b>{:else}<a
                    class="link"
                    href="/stores/lots/{draw.lot_id}">{draw.label}</a
                >{/if}
            <span class="fig">{measure(draw.grams, 'mass', bench.units)}</span>
            <span class="quiet"
                >{draw.name}{draw.part === 'A' && !kept.draws.some((d) => d.part === 'B' && d.name === draw.name)
                    ? ''
                    : ` ${draw.part}`}</span
            >{/each}.
    </p>
{/if}
{#if run.scrap?.lot}
    <p class="mt-1">
        <span class="fig">{measure(run.scrap.lot.grams, 'mass', bench.units)}</span> went back on the shelf as
        <a class="link" href="/stores/lots/{run.scrap.lot.id}">{run.scrap.lot.label}</a>, melted {melted(run.scrap.lot.remelts)}.
    </p>
{/if}
{#if grade.note !== ''}<p class="mt-2 max-w-prose">{grade.note}</p>{/if}
<p class="mt-5 flex flex-wrap gap-2">
    <a class="btn btn-primary big" href="/jobs/{run.job_id}">{texts.backToTheJob}</a>
    <a class="btn big" href="/jobs/{run.job_id}/cost">{texts.whatAPieceCosts}</a> <a class="btn big" href="/log">{texts.theLog}</a>
</p>
