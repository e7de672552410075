<script lang="ts">
    /** A bad kit, followed to the last piece: pours, moulds, what was cast in those, and who has it. To be printed and gone through. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import { dayAndTime, shortDate } from '../../lib/when';
    import type { RecallView } from '../../types/server';
    import * as texts from './texts';

    let { recall }: { recall: RecallView } = $props();
    const many = (n: number, one: string, more: string): string => `${String(n)} ${n === 1 ? one : more}`;
    const kept = (pour: RecallView['pours'][number]): number => pour.good + pour.usable;
</script>

<svelte:head><title>Recall of {recall.label} · Apalos</title></svelte:head>

<h1 class="text-4xl">{recall.recalled_ms === null ? texts.whatItWentInto : texts.callItBack}: {recall.label}, {recall.name}</h1>
<p class="mt-2 text-lg">
    {#if recall.recalled_ms !== null}<b
            >Marked bad {dayAndTime(recall.recalled_ms)}{recall.why === '' ? '' : `: ${recall.why.replace(/[.\s]+$/, '')}`}.</b
        > Nothing more is taken from it.{:else}It is not marked bad.{/if}
    It went into {many(recall.total, 'pour', 'pours')} and {many(recall.moulds.length, 'mould', 'moulds')}; {many(
        recall.pieces,
        'piece that was kept comes',
        'pieces that were kept come',
    )} of it.
</p>
<p class="noprint mt-3 flex flex-wrap gap-2">
    <button class="btn btn-primary" onclick={() => window.print()}>{texts.printIt}</button>
    <a class="btn" href="/stores/lots/{recall.lot_id}/recall.csv">{texts.asCsv}</a>
    <a class="btn btn-ghost" href="/stores/lots/{recall.lot_id}">{texts.backToTheKit}</a>
</p>

{#if recall.whom.length > 0}
    <section class="mt-6" aria-label={texts.whoHasThem}>
        <h2 class="text-2xl">{texts.whoHasThem}</h2>
        <ul>
            {#each recall.whom as one (one.name)}<li>
                    <b>{one.name === '' ? 'Nobody was noted' : one.name}</b>: {many(one.pieces, 'piece', 'pieces')}
                </li>{/each}
        </ul>
    </section>
{/if}
{#if recall.moulds.length > 0}
    <section class="mt-6" aria-label={texts.mouldsMadeOfIt}>
        <h2 class="text-2xl">{texts.mouldsMadeOfIt}</h2>
        <ul>
            {#each recall.moulds as mould (mould.id)}<li>
                    <a class="link font-bold" href="/rack/{mould.id}">{mould.code} {mould.name}</a>
                    <span class="quiet"
                        >{mould.job}, {many(mould.casts, 'cast', 'casts')}{mould.retired ? ', retired' : ''}{mould.place === ''
                            ? ''
                            : `, ${mould.place}`}</span
                    >
                </li>{/each}
        </ul>
    </section>
{/if}
{#if recall.scrap.length > 0}
    <section class="mt-6" aria-label={texts.whatWasLeftOfIt}>
        <h2 class="text-2xl">{texts.whatWasLeftOfItOn}</h2>
        <ul>
            {#each recall.scrap as one (one.id)}<li>
                    <a class="link font-bold" href="/stores/lots/{one.id}">{one.label}</a>
                    <span class="fig">{measure(one.left_g, 'mass', bench.units, 0)}</span> left
                </li>{/each}
        </ul>
    </section>
{/if}
<section class="mt-6" aria-label={texts.pours}>
    <h2 class="text-2xl">{texts.pours}</h2>
    {#if recall.total > recall.pours.length}<p class="quiet">The newest {recall.pours.length}; the CSV has all {recall.total}.</p>{/if}
    <div class="scroll">
        <table>
            <thead
                ><tr
                    ><th scope="col">{texts.when}</th><th scope="col">{texts.what}</th><th scope="col">{texts.becauseOf}</th><th scope="col"
                        >{texts.kept}</th
                    ><th scope="col">{texts.rejects}</th><th scope="col">{texts.forWord}</th></tr
                ></thead
            >
            <tbody>
                {#each recall.pours as pour (pour.pour_id)}<tr>
                        <td class="fig">{pour.at_ms === null ? '–' : shortDate(pour.at_ms)}</td>
                        <th scope="row"><a class="link" href={pour.href}>{pour.job}, {pour.link}</a></th>
                        <td
                            >{pour.by === 'lot'
                                ? `drawn from ${pour.of}`
                                : pour.by === 'mould'
                                  ? `cast in ${pour.of}`
                                  : 'a coat of the same build'}</td
                        >
                        <td class="fig">{pour.kind === 'cast' ? kept(pour) : ''}</td>
                        <td class="fig">{pour.kind === 'cast' ? pour.reject : ''}</td>
                        <td>{pour.for_whom}</td>
                    </tr>{:else}<tr><td colspan="6">Nothing was made of it.</td></tr>{/each}
            </tbody>
        </table>
    </div>
</section>

<style>
    .scroll {
        overflow-x: auto;
    }
    td,
    th {
        padding: 0.45rem 1rem 0.45rem 0;
        text-align: left;
        vertical-align: top;
    }
    td:first-child {
        white-space: nowrap;
    }
    tbody tr {
        border-top: 1px solid var(--color-base-300);
    }
    li {
        padding: 0.25rem 0;
    }
    @media print {
        .noprint {
            display: none;
        }
    }
</style>
