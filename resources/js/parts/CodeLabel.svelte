<script lang="ts">
    /** A label to stick on a thing: what it is, and a code that opens it here. */
    import { qr } from '../lib/qr';
    import PrintLabels from './PrintLabels.svelte';
    import * as texts from './CodeLabel.texts';

    let { code, name, lines, href }: { code: string; name: string; lines: string[]; href: string } = $props();
    let slip = $state<HTMLElement>();
    /** The label alone, in its true size: a copy of it stands on a page of its own until it is printed. */
    function print(): void {
        const alone = slip?.cloneNode(true) as HTMLElement | undefined;
        if (alone === undefined) {
            return;
        }
        alone.classList.add('print-alone');
        document.body.append(alone);
        document.body.classList.add('printing-alone');
        window.addEventListener(
            'afterprint',
            () => {
                alone.remove();
                document.body.classList.remove('printing-alone');
            },
            { once: true },
        );
        window.print();
    }
    const drawn = $derived(qr(`${location.origin}${href}`));
</script>

<figure class="grid justify-items-start gap-2">
    <div class="slip" bind:this={slip} data-print aria-label={texts.labelOf(name)}>
        <div>
            <b class="fig">{code}</b>
            <span class="name">{name}</span>
            {#each lines as line (line)}<span>{line}</span>{/each}
        </div>
        <svg viewBox="0 0 {drawn.size} {drawn.size}" role="img" aria-label={texts.codeThatOpens(name)}
            ><rect width={drawn.size} height={drawn.size} fill="#fff" /><path d={drawn.path} fill="#000" /></svg
        >
    </div>
    <button class="btn btn-sm" onclick={print}>{texts.printTheLabel}</button>
    <PrintLabels words="On the label printer" labels={[{ what: `${code} ${name}`, text: { code, name, lines, href } }]} />
</figure>

<style>
    .slip {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 17mm;
        gap: 2mm;
        width: 57mm;
        min-height: 29mm;
        padding: 2mm;
        background: #fff;
        color: #000;
        overflow: hidden;
        border-radius: 2mm;
        line-height: 1.2;
    }
    .slip > div {
        display: grid;
        align-content: start;
        gap: 0.6mm;
        font-size: 0.875rem;
    }
    .fig {
        font-size: 1.5rem;
    }
    .name {
        font-weight: 700;
        overflow-wrap: anywhere;
    }
    svg {
        width: 17mm;
        height: 17mm;
    }
    @media print {
        .btn {
            display: none;
        }
    }
</style>
