<script lang="ts">
    /** One kit as it stands on the shelf: how full each tub is, and what is doubtful about it. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { LotLineView } from '../../types/server';
    import { doubts, melted } from './lots';
    import * as texts from './texts';

    let { lot, colour, parts }: { lot: LotLineView; colour: string | null; parts: Record<string, string> } = $props();
</script>

<article class="lot" class:over={lot.ended}>
    <div class="tubs" aria-hidden="true">
        {#each lot.parts as part (part.part)}<i
                ><u
                    style="height:{Math.min(100, (100 * part.left_g) / Math.max(part.got_g, 0.001))}%;background:{colour ??
                        'var(--color-neutral)'}"
                ></u></i
            >{/each}
    </div>
    <div>
        <p>
            <a class="link inline-block min-w-11 leading-7 font-bold" href="/stores/lots/{lot.id}">{lot.label}</a>
            {#each lot.parts as part (part.part)}
                <span class="part"
                    >{lot.parts.length > 1 ? (parts[part.part] ?? part.part) : ''}
                    <b class="fig">{measure(part.left_g, 'mass', bench.units, 0)}</b>
                    <span class="quiet">of {measure(part.got_g, 'mass', bench.units, 0)}</span></span
                >
            {/each}
        </p>
        <p class="quiet text-sm">
            came {lot.got_on}{lot.opened_on === null
                ? ', shut'
                : `, open since ${lot.opened_on} (${String(lot.days_open)} days)`}{lot.best_before === null
                ? ''
                : `, best before ${lot.best_before}`}{lot.price === null ? '' : `, ${bench.price(Number(lot.price))}`}{lot.parts
                .filter((part) => part.maker_number !== null)
                .map((part) => `, ${part.part} no. ${part.maker_number ?? ''}`)
                .join('')}
        </p>
        {#if lot.ended}<p class="text-sm">used up or thrown out</p>{/if}
        {#if lot.past && !lot.ended}<p class="text-sm font-bold text-error">past its date</p>{/if}
        {#if lot.bad !== null}<p class="text-sm font-bold text-error">
                Marked bad{lot.bad === '' ? '' : `: ${lot.bad.replace(/[.\s]+$/, '')}`}.
                <a class="link" href="/stores/lots/{lot.id}/recall">{texts.whatItWentInto}</a>
            </p>{/if}
        {#if lot.remelts !== null}<p class="text-sm">Melted {melted(lot.remelts)}.</p>{/if}
        {#if lot.trouble !== null}<p class="text-sm font-bold text-error">{doubts[lot.trouble]}</p>{/if}
    </div>
</article>

<style>
    .lot {
        display: grid;
        grid-template-columns: 3.4rem 1fr;
        gap: 0.9rem;
        padding: 0.6rem 0;
        border-top: 1.5px solid var(--color-base-300);
    }
    .over {
        opacity: 0.65;
    }
    .part {
        margin-left: 0.8rem;
    }
    .tubs {
        display: flex;
        gap: 0.25rem;
        height: 3rem;
        align-items: end;
    }
    .tubs i {
        position: relative;
        flex: 1;
        max-width: 1.5rem;
        height: 100%;
        border: 1.5px solid var(--color-neutral);
        border-top: 0;
        border-radius: 0 0 0.4rem 0.4rem;
        overflow: hidden;
    }
    .tubs u {
        position: absolute;
        inset: auto 0 0 0;
    }
</style>
