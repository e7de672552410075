<script lang="ts">
    /** The label printer: what waits for it and why, what came out last, and the roll that lies in it. */
    import { bench } from '../lib/bench.svelte';
    import { ask } from '../lib/api';
    import { dots, fromBase64 } from '../lib/drawnLabel';
    import { printer } from '../lib/printer.svelte';
    import type { Entry } from '../lib/units';
    import { when } from '../lib/when';
    import Measure from './Measure.svelte';
    import Wrong from './Wrong.svelte';
    import * as texts from './LabelPrinter.texts';

    type Out = { out: string[]; paper: number; lost: string | null };
    let dialog: HTMLDialogElement;
    let open = $state(false);
    let roll = $state<{ w_mm: Entry; h_mm: Entry; dots_mm: Entry }>({ w_mm: null, h_mm: null, dots_mm: null });
    let came = $state.raw<Out | null>(null);
    let wrong = $state<string | null>(null);
    let kept = $state(false);
    const queue = $derived(printer.queue);
    const simulated = $derived(bench.frame?.simulated === true);

    export function show(): void {
        open = true;
        dialog.showModal();
        void begin();
    }
    async function begin(): Promise<void> {
        await printer.look();
        if (printer.queue !== null) {
            roll = { ...printer.queue.roll };
        }
        await look();
    }
    async function look(): Promise<void> {
        if (simulated) {
            const answer = await ask<Out>('GET', '/devices/labels/out');
            came = answer.ok ? answer.data : null;
        }
    }
    async function again(): Promise<void> {
        await printer.again();
        await look();
    }
    async function paper(many: number): Promise<void> {
        await ask('POST', '/devices/labels/hand', { line: `PAPER ${String(many)}` });
        await look();
    }
    async function set(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        kept = false;
        const ok = await printer.roll($state.snapshot(roll));
        [wrong, printer.wrong, kept] = [ok ? null : printer.wrong, null, ok];
    }
    /** As it came out: dot for dot, shown in its true size. */
    function shown(canvas: HTMLCanvasElement, pbm: string): void {
        const picture = dots(fromBase64(pbm));
        const pen = canvas.getContext('2d');
        if (picture === null || pen === null) {
            return;
        }
        [canvas.width, canvas.height] = [picture.width, picture.height];
        const image = pen.createImageData(picture.width, picture.height);
        for (let i = 0; i < picture.width * picture.height; i++) {
            image.data.fill(picture.black(i % picture.width, Math.floor(i / picture.width)) ? 0 : 255, 4 * i, 4 * i + 3);
            image.data[4 * i + 3] = 255;
        }
        pen.putImageData(image, 0, 0);
    }
    const mm = (pbm: string): string => {
        const picture = dots(fromBase64(pbm));
        const fine = printer.queue?.roll.dots_mm ?? 8;
        return picture === null ? '' : `width:${String(picture.width / fine)}mm;height:${String(picture.height / fine)}mm`;
    };
    // What came out of the stand-in is there as soon as the queue has moved.
    $effect(() => {
        if (open && queue !== null) {
            void look();
        }
    });
</script>

<dialog class="modal" bind:this={dialog} aria-labelledby="label-printer" onclose={() => (open = false)}>
    <div class="modal-box bg-secondary">
        <h2 id="label-printer" class="text-2xl">{texts.theLabelPrinter}</h2>
        {#if open}
            <div class="mt-3 grid gap-4">
                <Wrong says={printer.wrong} />
                {#if queue !== null}
                    <section aria-label={texts.whatWaits}>
                        {#if queue.waits === 0}<p>Nothing waits.</p>{:else}
                            <p class="flex flex-wrap items-center gap-3">
                                <b>{queue.waits === 1 ? 'One label waits.' : `${String(queue.waits)} labels wait.`}</b>
                                <button class="btn" onclick={() => void again()}>{texts.tryAgain}</button>
                            </p>
                            <ul class="mt-2 grid gap-2">
                                {#each queue.labels as label (label.id)}
                                    <li class="grid gap-1 border-t border-base-300 pt-2">
                                        <span class="font-bold">{label.what}</span>
                                        {#if label.why !== null}<span role="status">{label.why}</span>{/if}
                                        <span class="flex flex-wrap gap-2">
                                            {#if label.state === 'unsure'}
                                                <button class="btn btn-sm" onclick={() => void printer.takeOff(label.id)}
                                                    >{texts.itCameOut}</button
                                                >
                                                <button class="btn btn-sm" onclick={() => void printer.anew(label.id)}
                                                    >{texts.printItAgain}</button
                                                >
                                            {:else if label.state === 'waiting'}
                                                <button class="btn btn-ghost btn-sm" onclick={() => void printer.takeOff(label.id)}
                                                    >{texts.takeItOff}</button
                                                >
                                            {/if}
                                        </span>
                                    </li>
                                {/each}
                            </ul>
                            {#if queue.waits > queue.labels.length}<p class="quiet">
                                    and {queue.waits - queue.labels.length} more
                                </p>{/if}
                        {/if}
                        {#if queue.last.length > 0}<p class="quiet mt-2 text-sm">
                                Out last: {queue.last.map((one) => `${one.what}, ${when(one.printed_ms, bench.now)}`).join(' · ')}
                            </p>{/if}
                    </section>
                    <form class="grid gap-3" aria-label={texts.theRollInIt} onsubmit={(event) => void set(event)} novalidate>
                        <div class="grid grid-cols-3 gap-3">
                            <Measure label={texts.width} kind="length" bind:value={roll.w_mm} />
                            <Measure label={texts.height} kind="length" bind:value={roll.h_mm} />
                            <Measure label={texts.dotsAMm} kind="plain" bind:value={roll.dots_mm} />
                        </div>
                        <Wrong says={wrong} />
                        <p class="flex flex-wrap items-center gap-3">
                            <button class="btn">{texts.keepTheRoll}</button>
                            {#if kept}<span role="status">Kept.</span>{/if}
                            <span class="quiet text-sm">203 dpi is 8 dots a millimetre, 300 dpi is 11.8.</span>
                        </p>
                    </form>
                    {#if simulated && came !== null}
                        <section aria-label={texts.whatCameOutOfTheStand}>
                            <h3 class="font-bold">{texts.whatCameOutOfTheStand}</h3>
                            <p class="flex flex-wrap items-center gap-2">
                                {came.lost ?? (came.paper === 0 ? 'It has no paper.' : `Paper for ${String(came.paper)} labels.`)}
                                <button class="btn btn-ghost btn-sm" onclick={() => void paper(0)}>{texts.takeItsPaperOut}</button>
                                <button class="btn btn-ghost btn-sm" onclick={() => void paper(200)}>{texts.putARollIn}</button>
                            </p>
                            <div class="mt-2 flex flex-wrap gap-3">
                                {#each came.out as pbm, i (`${String(i)}${pbm}`)}
                                    <canvas
                                        class="rounded bg-white"
                                        style={mm(pbm)}
                                        aria-label={texts.labelThatCameOut(i + 1)}
                                        use:shown={pbm}
                                    ></canvas>
                                {/each}
                            </div>
                        </section>
                    {/if}
                {/if}
                <p><button class="btn" onclick={() => dialog.close()}>{texts.close}</button></p>
            </div>
        {/if}
    </div>
</dialog>
