<script lang="ts">
    /** One swatch of the drawer: what it is, what was read of it, and reading it again. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { refused } from '../../lib/refused';
    import { type Entry, figure, measure, minutes } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Chip from '../../parts/Chip.svelte';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { DrawerView } from '../../types/server';
    import ReadColour from './ReadColour.svelte';
    import * as texts from './texts';

    type Props = { swatch: DrawerView['swatches'][number]; cards: DrawerView['cards']; error: string | null };
    let { swatch, cards, error }: Props = $props();

    let reading = $state<'hardness' | 'colour' | 'edit' | null>(null);
    let scale = $state(untrack(() => swatch.hardness?.scale ?? '00'));
    let readings = $state('');
    let edit = $state(untrack(() => ({ name: swatch.name, thickness_mm: swatch.thickness_mm as Entry, note: swatch.note })));
    let photo: File | undefined;

    const url = $derived(`/swatches/${String(swatch.id)}`);
    const done = { preserveScroll: true, onSuccess: () => (reading = null) };
    const early = $derived(refused(`early-${String(swatch.id)}`));
    const number = (word: string): number | string => (Number.isFinite(Number(word)) ? Number(word) : word);

    // Whole numbers parted by blanks, commas or slashes; a decimal comma only where a digit follows it at once and no blank is used.
    function hardness(sure = false): void {
        const words = readings
            .trim()
            .split(/[\s;/]+|,\s+/)
            .filter((word) => word !== '')
            .map((word) => number(word.replace(',', '.')));
        router.post(`${url}/readings`, { kind: 'hardness', scale, readings: words, ...(sure ? { sure } : {}) }, done);
    }
    const change = (what: Record<string, Entry | boolean | File | null>): void =>
        router.post(`${url}?edition=${String(swatch.edition)}`, what as Record<string, string>, { ...done, forceFormData: true });
    const count = (id: number, leftOut: boolean): void =>
        router.put(`/swatches/readings/${String(id)}`, { left_out: leftOut }, { preserveScroll: true });
</script>

<div class="top">
    <Chip light={swatch.white} dark={swatch.black} size={96} label={texts.overLightAndOverDark} />
    <div>
        <h2 class="text-2xl">{swatch.name}</h2>
        <p class="quiet text-sm">
            {swatch.base}: {swatch.inside}
        </p>
        <p class="text-sm"><a class="link inline-block" href={swatch.formula_href}>{swatch.formula}</a></p>
        {#if swatch.hardness !== null}
            <p>
                <b class="fig text-2xl">{swatch.hardness.written}</b>
                <span class="quiet text-sm"
                    >{swatch.hardness.count === 1
                        ? 'read once'
                        : `median of ${String(swatch.hardness.count)}, ${figure(swatch.hardness.spread, 'plain', 'metric')} apart`}</span
                >
            </p>
        {/if}
        {#if swatch.lab !== null}
            <p class="text-sm">
                <b class="fig"
                    >L {figure(swatch.lab[0], 'plain', 'metric', 1)} a {figure(swatch.lab[1], 'plain', 'metric', 1)} b {figure(
                        swatch.lab[2],
                        'plain',
                        'metric',
                        1,
                    )}</b
                >{#if swatch.within !== null}<span class="quiet"> ± difference ΔE {figure(swatch.within, 'plain', 'metric', 1)}</span>{/if}
                {#if swatch.translucency !== null}<span class="quiet block"
                        >{swatch.translucency.words}: hides {figure(swatch.translucency.ratio * 100, 'percent', 'metric', 0)} % of what lies behind</span
                    >{/if}
            </p>
        {/if}
    </div>
</div>
{#if swatch.note !== ''}<p class="mt-2">{swatch.note}</p>{/if}
{#if swatch.photo}<img class="photo" src="{url}/photo" alt={texts.photoOf(swatch.name)} />{/if}
<p class="quiet mt-1 text-sm">
    Poured {dayAndTime(swatch.poured_ms)}{swatch.thickness_mm === null
        ? ''
        : `, ${measure(swatch.thickness_mm, 'length', bench.units)} thick`}{swatch.demoulded_ms === null
        ? ''
        : `, out of its mould ${dayAndTime(swatch.demoulded_ms)}`}
</p>
<Wrong says={refused('edition')} />
<div class="mt-2"><Warnings warnings={swatch.questions} /></div>

<ul class="readings" aria-label={texts.whatWasRead}>
    {#each swatch.readings as r (r.id)}
        <li class:out={r.left_out}>
            <span class="fig">{r.text}</span>
            <span class="quiet text-sm"
                >{dayAndTime(r.at_ms)}{r.after_min === null ? '' : `, ${minutes(r.after_min)} after demoulding`}{r.source === ''
                    ? ''
                    : `, ${r.source}`}{r.left_out ? ', left out' : ''}</span
            >
            <button class="btn btn-ghost btn-xs" onclick={() => count(r.id, !r.left_out)}
                >{r.left_out ? texts.countIt : texts.leaveItOut}</button
            >
        </li>
    {/each}
</ul>

<div class="flex flex-wrap gap-2 mt-3">
    {#if swatch.demoulded_ms === null}<button class="btn btn-sm" onclick={() => change({ demoulded: true })}
            >{texts.itIsOutOfItsMould}</button
        >{/if}
    <button class="btn btn-sm" aria-expanded={reading === 'hardness'} onclick={() => (reading = reading === 'hardness' ? null : 'hardness')}
        >{texts.readItsHardness}</button
    >
    <button class="btn btn-sm" aria-expanded={reading === 'colour'} onclick={() => (reading = reading === 'colour' ? null : 'colour')}
        >{texts.readItsColour}</button
    >
    <button class="btn btn-sm btn-ghost" aria-expanded={reading === 'edit'} onclick={() => (reading = reading === 'edit' ? null : 'edit')}
        >{texts.labelAndNote}</button
    >
    <a class="btn btn-sm btn-ghost" href="/swatches/labels?ids={swatch.id}">{texts.printItsLabel}</a>
</div>
<Wrong says={error} />

{#if reading === 'hardness'}
    <form
        class="form"
        onsubmit={(event) => {
            event.preventDefault();
            hardness();
        }}
    >
        <div class="two">
            <Choice label={texts.scale} bind:value={scale}><option>00</option><option>A</option></Choice>
            <TextLine label={texts.readingsThreeOrMore} fig placeholder="27 26 28" inputmode="decimal" bind:value={readings} />
        </div>
        <button class="btn btn-primary" disabled={readings.trim() === ''}>{texts.writeItDown}</button>
        {#if early !== null}
            <Wrong says={early} />
            <button type="button" class="btn" disabled={readings.trim() === ''} onclick={() => hardness(true)}
                >{texts.itShallCountAllTheSame}</button
            >
        {/if}
    </form>
{:else if reading === 'colour'}
    <ReadColour {url} {cards} ondone={() => (reading = null)} />
{:else if reading === 'edit'}
    <form
        class="form"
        onsubmit={(event) => {
            event.preventDefault();
            change({ ...edit, photo: photo ?? null });
        }}
    >
        <TextLine label={texts.label} bind:value={edit.name} maxlength={120} />
        <Measure label={texts.thickness} kind="length" bind:value={edit.thickness_mm} />
        <label class="grid gap-1 text-sm"
            ><span class="quiet">{texts.note}</span><textarea class="textarea w-full" bind:value={edit.note}></textarea></label
        >
        <PhotoPick onpick={(taken) => (photo = taken)} />
        <div class="flex gap-2">
            <button class="btn btn-primary">{texts.keep}</button>
            <button type="button" class="btn btn-ghost" onclick={() => router.delete(url, { preserveScroll: true })}
                >{texts.throwItOut}</button
            >
        </div>
    </form>
{/if}

<style>
    .top {
        display: grid;
        grid-template-columns: auto minmax(0, 1fr);
        gap: 1rem;
    }
    .photo {
        margin-top: 0.5rem;
        border-radius: 0.8rem;
        max-height: 12rem;
    }
    .readings {
        margin-top: 0.6rem;
    }
    .readings li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto;
        border-top: 1px solid var(--color-base-300);
        padding: 0.25rem 0;
    }
    .readings li > :nth-child(2) {
        grid-row: 2;
    }
    .readings button {
        grid-row: 1 / span 2;
        grid-column: 2;
        align-self: center;
    }
    .out > .fig {
        text-decoration: line-through;
    }
    .form {
        display: grid;
        gap: 0.7rem;
        margin-top: 0.8rem;
    }
    .two {
        display: grid;
        grid-template-columns: 6rem 1fr;
        gap: 0.6rem;
    }
</style>
