<script lang="ts">
    /** One label, in its true size: what it is of, and a code that leads back to it. */
    import { bench } from '../../lib/bench.svelte';
    import { qr } from '../../lib/qr';
    import { measure } from '../../lib/units';
    import { dateOf } from '../../lib/when';
    import type { LabelsView } from '../../types/server';
    import * as texts from './texts';

    let { label, w, h }: { label: LabelsView['labels'][number]; w: number; h: number } = $props();
    /** Against the smallest label that holds it all. */
    const larger = $derived(Math.min(w / 57, h / 29));
    const code = $derived(qr(`${location.origin}${label.href}`));
</script>

<article
    data-print
    class="slip"
    style="width:{w}mm;height:{h}mm;--code:{16.5 * larger}mm;font-size:{7.8 * larger}pt"
    aria-label={texts.labelOf(label.name)}
>
    <div class="words">
        <h3>{label.name}</h3>
        <p>{label.base}</p>
        {#each label.inside as line (line)}<p class="inside">{line}</p>{:else}<p>nothing but the base</p>{/each}
        <p class="foot">
            {dateOf(label.poured_ms)}{label.thickness_mm === null ? '' : ` · ${measure(label.thickness_mm, 'length', bench.units)}`} · no. {label.id}
        </p>
    </div>
    <svg viewBox="0 0 {code.size} {code.size}" role="img" aria-label={texts.codeThatOpensInTheDrawer(label.name)}
        ><rect width={code.size} height={code.size} fill="#fff" /><path d={code.path} fill="#000" /></svg
    >
</article>

<style>
    .slip {
        box-sizing: border-box;
        display: grid;
        grid-template-columns: minmax(0, 1fr) var(--code);
        gap: 1.5mm;
        padding: 2mm;
        overflow: hidden;
        background: #fff;
        color: #000;
        line-height: 1.2;
    }
    .words {
        display: flex;
        flex-direction: column;
        min-height: 0;
        overflow: hidden;
    }
    h3 {
        font-size: 1.45em;
        line-height: 1.1;
        margin-bottom: 0.6mm;
        overflow-wrap: anywhere;
    }
    .inside {
        font-weight: 700;
    }
    .foot {
        margin-top: auto;
        padding-top: 0.6mm;
    }
    svg {
        width: var(--code);
        height: var(--code);
    }
</style>
