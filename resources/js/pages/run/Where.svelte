<script lang="ts">
    /** Into which mould it goes, and from which kits it is taken. */
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { Kept } from '../../lib/kept.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { measure } from '../../lib/units';
    import Point, { type Pointed } from '../../parts/Point.svelte';
    import { doubts, melted } from '../stores/lots';
    import * as texts from './texts';

    let { live, kept }: { live: LiveRun; kept: Kept } = $props();
    const view = $derived(kept.view);
    let choosing = $state(false);

    async function into(mould: number): Promise<void> {
        const now = view?.moulds ?? [];
        const moulds = now.includes(mould) ? now.filter((one) => one !== mould) : [...now, mould];
        await live.record('moulded', { moulds: moulds.length === 0 ? [mould] : moulds }, `${String(mould)}-${moulds.join('.')}`);
        await kept.look();
    }
    async function from(code: string, lot: number): Promise<void> {
        await live.record('drawn_from', { code, lot }, `${code}-${String(lot)}`);
        await kept.look();
    }
    /** A label says which mould, which kit. */
    function point(at: Pointed): string | null {
        const mould = at.kind === 'mould' ? view?.choices.find((one) => one.id === at.id) : undefined;
        if (mould !== undefined) {
            if (mould.filled !== null) {
                return `${at.name} is filled: ${mould.filled.job}.`;
            }
            if (!(view?.moulds.includes(at.id) ?? false)) {
                void into(at.id);
            }
            return null;
        }
        const of = at.kind === 'kit' ? view?.lots.find((one) => one.lots.some((lot) => lot.id === at.id)) : undefined;
        if (of !== undefined) {
            void from(of.code, at.id);
            return null;
        }
        return at.kind === 'mould'
            ? `${at.name} is no mould of this job.`
            : at.kind === 'kit'
              ? `Nothing of this pour is in ${at.name}, or it is used up.`
              : `That is a ${at.kind}: ${at.name}. Point at the label of a mould or a kit.`;
    }
    const chosen = $derived(view?.choices.filter((one) => view.moulds.includes(one.id)) ?? []);
</script>

{#if view !== null && (view.in_a_mould || view.lots.length > 0)}
    <section class="where" aria-label={texts.mouldAndKits}>
        {#if view.in_a_mould}
            <p>
                {#if chosen.length > 0}Into
                    {#each chosen as mould, i (mould.id)}{i > 0 ? ', ' : ''}<a class="link font-bold" href="/rack/{mould.id}"
                            >{mould.name}</a
                        >
                        <span class="quiet">{mould.code}, cast {mould.casts + 1}, about {mould.likely} left</span
                        >{/each}{:else if view.choices.length > 0}<b>Say which mould it goes into.</b>{:else}<b
                        >No mould of this job stands on the rack.</b
                    >
                    <button class="btn big" onclick={() => router.post(`/impressions/${String(view.link_id)}/mould`)}
                        >{texts.itIsTherePutItOn}</button
                    >{/if}
                {#if view.choices.length > 1 || (chosen.length === 0 && view.choices.length > 0)}<button
                        class="btn big"
                        aria-expanded={choosing}
                        onclick={() => (choosing = !choosing)}>{texts.anotherMould}</button
                    >{/if}
            </p>
            {#each chosen.filter((one) => one.asks.length > 0) as mould (mould.id)}
                <div role="status">
                    <p><b>{mould.name}, {mould.code}, wants first:</b></p>
                    <ul class="asks">
                        {#each mould.asks as ask (ask)}<li>{ask}</li>{/each}
                    </ul>
                </div>
            {/each}
            {#if choosing || chosen.length === 0}
                <ul class="flex flex-wrap gap-2">
                    {#each view.choices as mould (mould.id)}
                        <li>
                            <button
                                class="btn big"
                                class:btn-primary={view.moulds.includes(mould.id)}
                                aria-pressed={view.moulds.includes(mould.id)}
                                disabled={mould.filled !== null}
                                onclick={() => void into(mould.id)}
                                >{mould.code}
                                {mould.name}{mould.filled === null ? '' : texts.filled(mould.filled.job)}</button
                            >
                        </li>
                    {/each}
                </ul>
            {/if}
        {/if}
        {#each view.lots as of (of.code)}
            {@const first = of.lots.find((lot) => lot.id === of.from)}
            {#if first !== undefined}
                <p>
                    {of.name} from <a class="link font-bold" href="/stores/lots/{first.id}">{first.label}</a>
                    <span class="fig"
                        >{first.parts
                            .map(
                                (part) => `${first.parts.length > 1 ? `${part.part} ` : ''}${measure(part.left_g, 'mass', bench.units, 0)}`,
                            )
                            .join(', ')}</span
                    >
                    <span class="quiet">left</span>
                    {#if first.remelts !== null}<span class="quiet">melted {melted(first.remelts)}</span>{/if}
                    {#if first.bad !== null}<b class="text-error">marked bad{first.bad === '' ? '' : `: ${first.bad}`}</b>{/if}
                    {#if first.past}<b class="text-error">past its date</b>{/if}
                    {#if first.trouble !== null}<b class="text-error">{doubts[first.trouble]}</b>{/if}
                    {#if of.lots.length > 1}
                        {#each of.lots.filter((lot) => lot.id !== first.id).slice(0, 4) as lot (lot.id)}<button
                                class="btn big"
                                onclick={() => void from(of.code, lot.id)}>{texts.fromInstead(lot.label)}</button
                            >{/each}
                    {/if}
                </p>
            {:else}
                <p>
                    {of.name} is taken from no kit.
                    {#each of.lots.slice(0, 4) as lot (lot.id)}<button class="btn big" onclick={() => void from(of.code, lot.id)}
                            >{texts.fromWord(lot.label)}</button
                        >{/each}
                </p>
            {/if}
        {/each}
        <p><Point onpoint={point} words="Point at the label of mould or kit" big /></p>
        {#if view.short_g > 0.05}<p class="font-bold text-error" role="alert">
                {measure(view.short_g, 'mass', bench.units)} more was weighed than the kits had by the book. Count them in Stores; nothing of
                the run is lost.
            </p>{/if}
    </section>
{/if}

<style>
    .asks li {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.8rem;
        margin-top: 0.25rem;
    }
    .where {
        display: grid;
        gap: 0.5rem;
        margin: 0.75rem 0;
        padding: 0.7rem 1rem;
        border-radius: var(--radius-box);
        background: var(--color-secondary);
    }
</style>
