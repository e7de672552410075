<script lang="ts">
    /** A colour off a photo: one square on the grey card, one on the swatch; both are moved with a finger or the arrow keys. */
    import { ask } from '../../lib/api';
    import { opened, pixels, type Spot } from '../../lib/photo';
    import { figure } from '../../lib/units';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Warnings from '../../parts/Warnings.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { PhotoPatchResult } from '../../types/server';
    import * as texts from './texts';

    let { ontake, what = 'swatch' }: { ontake: (result: PhotoPatchResult) => void; what?: string } = $props();

    const SIZE = 0.07;
    let canvas: HTMLCanvasElement | null = null;
    let shown = $state<string | null>(null);
    let ratio = $state(1);
    const spots = $state<{ card: Spot; sample: Spot }>({ card: { x: 0.25, y: 0.5 }, sample: { x: 0.75, y: 0.5 } });
    let cardL = $state('49.5');
    let result = $state<PhotoPatchResult | null>(null);
    let wrong = $state<string | null>(null);
    let frame = $state<HTMLDivElement>();
    let held: 'card' | 'sample' | null = null;

    async function open(file: File | undefined): Promise<void> {
        if (file === undefined) {
            return;
        }
        try {
            canvas = await opened(file);
        } catch {
            wrong = 'That file is no picture this browser can open. Take a JPEG or PNG.';
            return;
        }
        ratio = canvas.width / canvas.height;
        shown = canvas.toDataURL('image/jpeg', 0.85);
        wrong = null;
        await read();
    }

    async function read(): Promise<void> {
        if (canvas === null) {
            return;
        }
        const answer = await ask<PhotoPatchResult>('POST', '/api/reckon/patch', {
            card: { pixels: pixels(canvas, spots.card, SIZE), lab: [Number(cardL), 0, 0] },
            sample: { pixels: pixels(canvas, spots.sample, SIZE) },
        });
        result = answer.ok ? answer.data : null;
        wrong = answer.ok ? null : answer.wrong.message;
    }

    const clamp = (value: number): number => Math.min(0.98, Math.max(0.02, value));
    function drag(event: PointerEvent): void {
        if (held !== null && frame !== undefined) {
            const box = frame.getBoundingClientRect();
            spots[held] = { x: clamp((event.clientX - box.left) / box.width), y: clamp((event.clientY - box.top) / box.height) };
        }
    }
    function drop(): void {
        if (held !== null) {
            held = null;
            void read();
        }
    }
    function keys(event: KeyboardEvent, which: 'card' | 'sample'): void {
        const by = { ArrowLeft: [-0.01, 0], ArrowRight: [0.01, 0], ArrowUp: [0, -0.01], ArrowDown: [0, 0.01] }[event.key];
        if (by !== undefined) {
            event.preventDefault();
            spots[which] = { x: clamp(spots[which].x + (by[0] ?? 0)), y: clamp(spots[which].y + (by[1] ?? 0)) };
            void read();
        }
    }
    const names = { card: 'grey card', sample: 'colour' };
</script>

<div class="grid gap-2">
    <p class="quiet text-sm">
        Lay the grey card beside the {what}, in even daylight, no flash. Then put one square on the card and one on the {what}.
    </p>
    <div class="flex flex-wrap items-end gap-3">
        <PhotoPick onpick={open} />
        <TextLine label={texts.theCardsLightnessL} inputmode="decimal" bind:value={cardL} onchange={() => void read()} />
    </div>
    {#if shown !== null}
        <div
            class="photo"
            bind:this={frame}
            style="aspect-ratio:{ratio}"
            onpointermove={drag}
            onpointerup={drop}
            onpointercancel={drop}
            role="presentation"
        >
            <img src={shown} alt={texts.whatWasTakenWithBothSquares} draggable="false" />
            {#each ['card', 'sample'] as const as which (which)}
                <button
                    type="button"
                    class="spot"
                    style="left:{spots[which].x * 100}%;top:{spots[which].y * 100}%;width:{SIZE * 100}%"
                    aria-label={texts.squareOnTheAcrossDown(
                        names[which],
                        Math.round(spots[which].x * 100),
                        Math.round(spots[which].y * 100),
                    )}
                    onpointerdown={(event) => {
                        held = which;
                        event.currentTarget.releasePointerCapture(event.pointerId);
                    }}
                    onkeydown={(event) => keys(event, which)}><span>{names[which]}</span></button
                >
            {/each}
        </div>
    {/if}
    <Wrong says={wrong} />
    {#if result !== null}
        <div class="flex flex-wrap items-center gap-3" role="status">
            <span class="seen" style="background:{result.srgb}"></span>
            <p>
                <b class="fig"
                    >L {figure(result.lab[0], 'plain', 'metric', 1)} a {figure(result.lab[1], 'plain', 'metric', 1)} b {figure(
                        result.lab[2],
                        'plain',
                        'metric',
                        1,
                    )}</b
                ><br /><span class="quiet text-sm"
                    >within a difference of ΔE <span class="fig">{figure(result.within_delta_e, 'plain', 'metric', 1)}</span> four times out of
                    five: a camera is no instrument</span
                >
            </p>
            <button type="button" class="btn" onclick={() => result !== null && ontake(result)}>{texts.takeThisColour}</button>
        </div>
        <Warnings warnings={result.warnings} />
    {/if}
</div>

<style>
    .photo {
        position: relative;
        width: min(100%, 34rem);
        touch-action: none;
        user-select: none;
    }
    img {
        width: 100%;
        border-radius: 0.8rem;
    }
    .spot {
        position: absolute;
        aspect-ratio: 1;
        min-width: 26px;
        transform: translate(-50%, -50%);
        border: 3px solid #fffaf0;
        outline: 2px solid #2a211b;
        border-radius: 4px;
        cursor: grab;
    }
    .spot:focus-visible {
        outline: 4px solid var(--color-accent);
    }
    .spot span {
        position: absolute;
        top: 100%;
        left: 50%;
        transform: translate(-50%, 5px);
        background: #2a211b;
        color: #fffaf0;
        font-size: 0.875rem;
        padding: 0 0.4rem;
        border-radius: 0.5rem;
        white-space: nowrap;
    }
    .seen {
        width: 3.2rem;
        height: 3.2rem;
        border-radius: 0.8rem;
    }
</style>
