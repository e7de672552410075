<script lang="ts">
    /** The colour wanted: as L, a and b, as a screen has it, off a photo, or one that was kept. */
    import type { RequestPayload } from '@inertiajs/core';
    import { router } from '@inertiajs/svelte';
    import { refused } from '../../lib/refused';
    import type { Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ColourAnswerView, ColourView } from '../../types/server';
    import PhotoPatch from './PhotoPatch.svelte';
    import * as texts from './texts';

    export type Wanted = { lab: Entry[] } | { hex: string } | null;
    /** How much of a dark card shows through, and at which thickness; kept and taken with the colour. */
    export type Through = { shows_pct: Entry; at_mm: Entry };
    type Props = {
        wanted: Wanted;
        shown: ColourAnswerView['target'];
        error: string | null;
        targets: ColourView['targets'];
        depth: Through;
        ondepth: (depth: Through) => void;
        onchange: () => void;
    };
    let { wanted = $bindable(), shown, error, targets, depth, ondepth, onchange }: Props = $props();

    let offPhoto = $state(false);
    let kept = $state('');
    let name = $state('');
    // What a screen writes is shown as L, a and b too, once it has been answered.
    const lab = $derived<Entry[]>(
        wanted === null
            ? [null, null, null]
            : 'lab' in wanted
              ? wanted.lab
              : (shown?.lab.map((v) => Math.round(v * 10) / 10) ?? [null, null, null]),
    );
    const chosen = $derived(targets.find((t) => String(t.id) === kept));

    function axis(i: number, value: Entry): void {
        const next = [...lab];
        next[i] = value;
        wanted = next.every((v) => v === null) ? null : { lab: next };
        if (next.every((v) => v !== null) || wanted === null) {
            onchange();
        }
    }
    function set(next: Wanted): void {
        wanted = next;
        onchange();
    }
    function take(one: ColourView['targets'][number]): void {
        ondepth({ shows_pct: one.shows_pct, at_mm: one.at_mm });
        set({ lab: [...one.lab] });
    }
    /** A name that is taken gives way only to who has seen its colour. */
    const taken = $derived(targets.find((t) => t.name === name.trim()));
    function keep(over: string): void {
        router.post(
            `/swatches/targets${over}`,
            { name, lab: lab as number[], ...(depth.shows_pct === null ? {} : depth) } as RequestPayload,
            { preserveState: true, preserveScroll: true, onSuccess: () => (name = '') },
        );
    }
    const axes = ['L', 'a', 'b'] as const;
</script>

<div class="grid gap-2">
    <div class="row">
        <span class="seen" style="background:{shown?.srgb ?? 'transparent'}" class:none={shown === null}></span>
        {#each axes as axisName, i (axisName)}<Measure
                label={axisName}
                kind="plain"
                value={lab[i] ?? null}
                onchange={(value) => axis(i, value)}
            />{/each}
    </div>
    <Wrong says={error} />
    <div class="pick">
        <label class="grid gap-1 text-sm"
            ><span class="quiet">{texts.orAsAScreenWritesIt}</span><input
                class="input fig w-full"
                placeholder="#c8a27e"
                value={wanted !== null && 'hex' in wanted ? wanted.hex : ''}
                onchange={(event) => set(event.currentTarget.value.trim() === '' ? null : { hex: event.currentTarget.value })}
            /></label
        >
        <button type="button" class="btn" aria-expanded={offPhoto} onclick={() => (offPhoto = !offPhoto)}>{texts.offAPhoto}</button>
    </div>
    {#if offPhoto}<PhotoPatch
            what="thing to match"
            ontake={(result) => {
                offPhoto = false;
                set({ lab: result.lab.map((v) => Math.round(v * 10) / 10) });
            }}
        />{/if}
    {#if targets.length > 0}
        <div class="pick">
            <Choice label={texts.orOneThatWasKept} bind:value={kept}>
                <option value="">{texts.choose}</option>
                {#each targets as t (t.id)}<option value={String(t.id)}>{t.name}</option>{/each}
            </Choice>
            <span class="flex gap-1">
                <button type="button" class="btn" disabled={chosen === undefined} onclick={() => chosen !== undefined && take(chosen)}
                    >{texts.takeIt}</button
                >
                <button
                    type="button"
                    class="btn btn-ghost"
                    disabled={chosen === undefined}
                    aria-label={texts.forget(chosen?.name ?? texts.it)}
                    onclick={() =>
                        chosen !== undefined &&
                        router.delete(`/swatches/targets/${String(chosen.id)}`, { preserveState: true, preserveScroll: true })}>✕</button
                >
            </span>
        </div>
    {/if}
    {#if lab.every((v) => typeof v === 'number')}
        <form
            class="pick"
            onsubmit={(event) => {
                event.preventDefault();
                keep('');
            }}
        >
            <TextLine label={texts.keepThisColourAs} bind:value={name} maxlength={120} />
            <button class="btn" disabled={name.trim() === ''}>{texts.keep}</button>
        </form>
    {/if}
    <Wrong says={refused('target') ?? refused('edition')} />
    {#if taken !== undefined && (refused('target') ?? refused('edition')) !== null}<button
            type="button"
            class="btn justify-self-start"
            onclick={() => keep(`?edition=${String(taken.edition)}`)}>{texts.putItInThePlaceOf(taken.name)}</button
        >{/if}
</div>

<style>
    .row {
        display: grid;
        grid-template-columns: 3.4rem repeat(3, minmax(0, 1fr));
        gap: 0.5rem;
        align-items: end;
    }
    .seen {
        height: 2.75rem;
        border-radius: 0.9rem;
        border: 1.5px solid var(--color-base-300);
    }
    .seen.none {
        background: repeating-linear-gradient(45deg, var(--color-base-300) 0 2px, transparent 2px 8px) !important;
    }
    .pick {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.5rem;
        align-items: end;
    }
</style>
