<script lang="ts">
    /** Labels to print and stick on, on a roll or on a sheet; what is on the screen is what comes out of the printer. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { LabelText } from '../../lib/drawnLabel';
    import { dateOf } from '../../lib/when';
    import SheetOfLabels from '../../parts/SheetOfLabels.svelte';
    import PrintLabels from '../../parts/PrintLabels.svelte';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { LabelsView } from '../../types/server';
    import Heading from './Heading.svelte';
    import Label from './Label.svelte';
    import * as texts from './texts';

    let { page }: { page: LabelsView } = $props();

    type Paper = { words: string; w: number; h: number; sheet: { w: number; h: number; across: number; down: number } | null };
    const papers: Record<string, Paper> = {
        'roll-57': { words: 'Roll', w: 57, h: 32, sheet: null },
        'roll-62': { words: 'Roll', w: 62, h: 29, sheet: null },
        'roll-80': { words: 'Roll', w: 80, h: 40, sheet: null },
        'a4-24': { words: 'A4 sheet, 3 × 8 of', w: 70, h: 37, sheet: { w: 210, h: 297, across: 3, down: 8 } },
        'a4-21': { words: 'A4 sheet, 3 × 7 of', w: 70, h: 42, sheet: { w: 210, h: 297, across: 3, down: 7 } },
    };
    const STORE = 'apalos.labels';
    const kept = localStorage.getItem(STORE) ?? '';
    let chosen = $state(kept in papers ? kept : 'roll-57');
    let first = $state('1');
    const paper = $derived(papers[chosen] as Paper);
    const places = $derived(paper.sheet === null ? 1 : paper.sheet.across * paper.sheet.down);
    const start = $derived(Number(first));
    const wrong = $derived(
        paper.sheet !== null && !(Number.isInteger(start) && start >= 1 && start <= places)
            ? `Count the places from the top left: 1 to ${String(places)}.`
            : null,
    );
    $effect(() => localStorage.setItem(STORE, chosen));

    const forPrinter = $derived(
        page.labels.map((label): { what: string; text: LabelText } => ({
            what: `${label.name}, no. ${String(label.id)}`,
            text: {
                code: label.name,
                name: label.base,
                lines: [
                    ...(label.inside.length === 0 ? ['nothing but the base'] : label.inside),
                    `${dateOf(label.poured_ms)} · no. ${String(label.id)}`,
                ],
                href: label.href,
            },
        })),
    );

    /** On a sheet that was begun, the places already used stay empty. */
    const sheets = $derived.by(() => {
        const cells = [...Array.from({ length: paper.sheet === null || wrong !== null ? 0 : start - 1 }, () => null), ...page.labels];
        return Array.from({ length: Math.ceil(cells.length / places) }, (_, i) => cells.slice(i * places, (i + 1) * places));
    });

    // The printer is told the size of the paper; no other page of the application is printed with it.
    $effect(() => {
        const size = paper.sheet ?? { w: paper.w, h: paper.h };
        const rule = new CSSStyleSheet();
        rule.replaceSync(`@page { size: ${String(size.w)}mm ${String(size.h)}mm; margin: 0; }`);
        document.adoptedStyleSheets = [...document.adoptedStyleSheets, rule];
        return () => {
            document.adoptedStyleSheets = document.adoptedStyleSheets.filter((sheet) => sheet !== rule);
        };
    });
</script>

<div class="off-paper"><Heading title={texts.labels} /></div>
<div class="controls off-paper">
    <Choice label={texts.onto} bind:value={chosen}>
        {#each Object.entries(papers) as [id, p] (id)}<option value={id}
                >{p.words} {measure(p.w, 'length', bench.units)} × {measure(p.h, 'length', bench.units)}</option
            >{/each}
    </Choice>
    {#if paper.sheet !== null}<TextLine label={texts.firstFreePlace} fig inputmode="numeric" bind:value={first} error={wrong} />{/if}
    <button class="btn btn-primary" disabled={page.labels.length === 0 || wrong !== null} onclick={() => window.print()}
        >{texts.print}</button
    >
    <PrintLabels words="On the label printer" labels={forPrinter} big />
    <p class="quiet text-sm">
        {page.labels.length}
        {page.labels.length === 1 ? 'label' : 'labels'}. Print at 100 %, without margins. The code opens the swatch in the drawer, on any
        phone that reaches this bench.
    </p>
</div>
{#if page.labels.length > 0}<div class="off-paper">
        <SheetOfLabels of="swatches={page.labels.map((label) => label.id).join(',')}" words={texts.asAFileOnAnySheet} />
    </div>{/if}
<Wrong
    says={page.labels.length === 0
        ? 'There is no swatch to label. Make a series, or choose a swatch in the drawer and print its label there.'
        : null}
/>

<div class="papers">
    {#each sheets as cells, i (i)}
        <div class="paper" style={paper.sheet === null ? '' : `width:${String(paper.sheet.w)}mm;height:${String(paper.sheet.h)}mm`}>
            <div
                class="cells"
                style={paper.sheet === null ? '' : `grid-template-columns:repeat(${String(paper.sheet.across)},${String(paper.w)}mm)`}
            >
                {#each cells as label, j (j)}
                    {#if label === null}<div style="width:{paper.w}mm;height:{paper.h}mm"></div>{:else}<Label
                            {label}
                            w={paper.w}
                            h={paper.h}
                        />{/if}
                {/each}
            </div>
        </div>
    {/each}
</div>

<style>
    .controls {
        display: flex;
        flex-wrap: wrap;
        align-items: end;
        gap: 0.6rem 1rem;
        margin-block: 0.6rem 1rem;
    }
    .controls p {
        flex: 1 1 16rem;
    }
    .papers {
        display: flex;
        flex-wrap: wrap;
        gap: 1rem;
        overflow-x: auto;
        padding: 1px;
    }
    .paper {
        background: #fff;
        outline: 1px solid var(--color-base-300);
        border-radius: 1mm;
        overflow: hidden;
        flex: none;
    }
    .cells {
        display: grid;
        align-content: start;
    }
    @media print {
        .off-paper {
            display: none;
        }
        .papers {
            display: block;
            padding: 0;
        }
        .paper {
            outline: none;
            border-radius: 0;
            break-after: page;
        }
        .paper:last-child {
            break-after: auto;
        }
    }
</style>
