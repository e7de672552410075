<script lang="ts" module>
    /** What a label stands on. */
    export type Pointed = { kind: string; id: number; name: string; href: string };
</script>

<script lang="ts">
    /** Points the camera at a label; where there is none, what stands on it is typed. */
    import { ask } from '../lib/api';
    import * as texts from './Point.texts';

    type Props = {
        /** What is done with the thing; says why not, or null where it was of use. */
        onpoint: (at: Pointed) => string | null;
        words?: string;
        big?: boolean;
        /** Its own button, or another shows it. */
        button?: boolean;
    };
    let { onpoint, words = 'Point at a label', big = false, button = true }: Props = $props();
    let dialog: HTMLDialogElement;
    let video = $state<HTMLVideoElement>();
    let typed = $state('');
    let says = $state('');
    let open = $state(false);
    const id = $props.id();
    /** So often is looked whether a code is in view. */
    const LOOK_MS = 180;
    /** Wider nobody needs it to read a label held before the camera. */
    const WIDE = 640;

    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let last = '';

    let seeing = $state(true);

    export async function show(): Promise<void> {
        [typed, says, last, open, seeing] = ['', '', '', true, true];
        dialog.showModal();
        try {
            stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } });
        } catch {
            [says, seeing] = ['This browser opens no camera here. Type what stands on the label.', false];
            return;
        }
        if (!open || video === undefined) {
            stop();
            return;
        }
        video.srcObject = stream;
        await video.play().catch(() => undefined);
        const { default: read } = await import('jsqr');
        const canvas = document.createElement('canvas');
        const look = (): void => {
            if (stream === null || video === undefined) {
                return;
            }
            const scale = Math.min(1, WIDE / Math.max(1, video.videoWidth));
            [canvas.width, canvas.height] = [Math.round(video.videoWidth * scale), Math.round(video.videoHeight * scale)];
            const draw = canvas.getContext('2d', { willReadFrequently: true });
            if (draw !== null && canvas.width > 0) {
                draw.drawImage(video, 0, 0, canvas.width, canvas.height);
                const found = read(draw.getImageData(0, 0, canvas.width, canvas.height).data, canvas.width, canvas.height);
                if (found !== null && found.data !== '' && found.data !== last) {
                    last = found.data;
                    void take(found.data);
                }
            }
            timer = setTimeout(look, LOOK_MS);
        };
        look();
    }

    function stop(): void {
        clearTimeout(timer);
        stream?.getTracks().forEach((track) => {
            track.stop();
        });
        stream = null;
        open = false;
    }

    async function take(code: string): Promise<void> {
        const answer = await ask<Pointed>('GET', `/point?code=${encodeURIComponent(code)}`);
        says = answer.ok ? (onpoint(answer.data) ?? '') : answer.wrong.message;
        if (says === '') {
            dialog.close();
        }
    }
</script>

{#if button}<button type="button" class="btn" class:big class:btn-sm={!big} onclick={() => void show()}>{words}</button>{/if}

<dialog class="modal" bind:this={dialog} aria-labelledby={id} onclose={stop}>
    <div class="modal-box bg-secondary">
        <h2 {id} class="text-2xl">{words}</h2>
        {#if open}
            {#if seeing}<video bind:this={video} class="view" playsinline muted></video>{/if}
            <p class="mt-2 font-bold" role="status">{says}</p>
            <form
                class="mt-2 flex flex-wrap items-end gap-2"
                onsubmit={(event) => {
                    event.preventDefault();
                    void take(typed);
                }}
            >
                <label class="label-text"
                    >{texts.orWhatStandsOnIt} <input class="input w-40" maxlength="200" autocomplete="off" bind:value={typed} /></label
                >
                <button class="btn" disabled={typed.trim() === ''}>{texts.takeIt}</button>
            </form>
        {/if}
        <p class="mt-3 text-right"><button class="btn btn-ghost" onclick={() => dialog.close()}>{texts.close}</button></p>
    </div>
</dialog>

<style>
    .view {
        width: 100%;
        max-height: 45vh;
        background: var(--color-neutral);
        border-radius: var(--radius-box);
        margin-top: 0.75rem;
    }
    .big {
        min-height: 3.5rem;
    }
</style>
