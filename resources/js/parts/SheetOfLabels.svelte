<script lang="ts">
    /** Labels on a sheet of labels, as this tablet's printer has them: so many across and down, from the first free place on. */
    import { labelSheet, tablet } from '../lib/tablet.svelte';
    import type { Entry } from '../lib/units';
    import Measure from './Measure.svelte';
    import OnPaper from './OnPaper.svelte';
    import * as texts from './SheetOfLabels.texts';

    /** `of`: which things, as the address asks for them. */
    let { of, words }: { of: string; words: string } = $props();
    const sheet = $derived(tablet.labels);
    let start = $state<Entry>(1);
    const places = $derived(sheet.across * sheet.down);
    const fields = [
        ['across', texts.across, 'plain', 12],
        ['down', texts.down, 'plain', 30],
        ['top_mm', texts.aboveAndBelow, 'length', 60],
        ['left_mm', texts.leftAndRight, 'length', 60],
        ['gap_x_mm', texts.betweenColumns, 'length', 40],
        ['gap_y_mm', texts.betweenRows, 'length', 40],
    ] as const;
    let wrong = $state<Record<string, string>>({});

    function set(key: (typeof fields)[number][0], most: number, said: Entry): void {
        const isCount = key === 'across' || key === 'down';
        const fits = typeof said === 'number' && said >= (isCount ? 1 : 0) && said <= most && (!isCount || Number.isInteger(said));
        wrong = { ...wrong, [key]: fits ? '' : isCount ? texts.aWholeNumber(most) : texts.soManyAtMost(most) };
        if (fits) {
            tablet.set({ labels: { ...labelSheet, ...sheet, [key]: said } });
        }
    }
    const first = $derived(typeof start === 'number' && Number.isInteger(start) && start >= 1 && start <= places ? start : null);
    const asked = $derived(
        `${of}&across=${String(sheet.across)}&down=${String(sheet.down)}&top_mm=${String(sheet.top_mm)}&left_mm=${String(sheet.left_mm)}` +
            `&gap_x_mm=${String(sheet.gap_x_mm)}&gap_y_mm=${String(sheet.gap_y_mm)}&start=${String(first ?? 1)}`,
    );
    const isRight = $derived(first !== null && Object.values(wrong).every((one) => one === ''));
</script>

<details class="labels">
    <summary class="link min-h-11 py-2">{words}</summary>
    <div class="fields">
        {#each fields as [key, label, kind, most] (key)}
            <Measure
                {label}
                {kind}
                value={sheet[key]}
                error={(wrong[key] ?? '') === '' ? null : (wrong[key] ?? null)}
                onchange={(said) => set(key, most, said)}
            />
        {/each}
        <Measure
            label={texts.firstFreePlace}
            kind="plain"
            bind:value={start}
            error={first === null ? texts.countThePlaces(places) : null}
        />
    </div>
    {#if isRight}<p class="mt-2"><OnPaper what="labels" words={texts.thisSheet} more={asked} /></p>{/if}
    <p class="quiet text-sm">{texts.printAtFullSize}</p>
</details>

<style>
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
        gap: 0.6rem 1rem;
        max-width: 60rem;
    }
    @media print {
        .labels {
            display: none;
        }
    }
</style>
