<script lang="ts">
    /** The piece in three dimensions. All it shows stands in words beside it, so it is a picture to those who cannot see it. */
    import { onMount, untrack } from 'svelte';
    import { PieceView, type Block, type Pin, type Point } from '../../lib/pieceview';
    import type { StudyView } from '../../types/server';
    import * as texts from './texts';

    type Props = {
        answer: NonNullable<StudyView['answer']>;
        id: number;
        shows: 'mould' | 'section' | 'tank';
        cut: number;
        /** Of the sprue and of the vents, mm. */
        wide: [number, number];
        pins: { id: string; at: number[]; mark: string; kind: string }[];
        chosen: string | null;
        onchoose: (id: string) => void;
    };
    let { answer, id, shows, cut, wide, pins, chosen, onchoose }: Props = $props();
    let canvas: HTMLCanvasElement;
    let view = $state.raw<PieceView | null>(null);
    let places = $state<{ id: string; x: number; y: number; behind: boolean }[]>([]);
    let trouble = $state<string | null>(null);
    let shown = 0;
    let drawn = $state(false);

    const point = (at: readonly number[]): Point => [at[0] ?? 0, at[1] ?? 0, at[2] ?? 0];
    const block = $derived.by((): Block => {
        const { frame, mould } = answer;
        const margin = mould.margin_mm;
        const onePart = mould.lower_ml === 0 && mould.keys.length === 0;
        const floor = (frame.least[2] ?? 0) - (onePart ? 0 : margin);
        return {
            across: point(frame.across),
            other: point(frame.other),
            along: point(frame.along),
            least: [(frame.least[0] ?? 0) - margin, (frame.least[1] ?? 0) - margin, floor],
            most: [(frame.most[0] ?? 0) + margin, (frame.most[1] ?? 0) + margin, (frame.most[2] ?? 0) + margin],
            seam: onePart ? null : floor + mould.seam_mm,
            keys: mould.keys.map(point),
            key: mould.key_mm,
            ways: [
                { at: point(mould.spout.at), to: point(mould.spout.to), wide: wide[0] },
                ...mould.vents.map((vent) => ({ at: point(vent.at), to: point(vent.to), wide: wide[1] })),
            ],
        };
    });

    async function bytes(part: 'mesh' | 'states', of: number): Promise<ArrayBuffer> {
        const response = await fetch(`/studies/${String(of)}/picture.${part}`);
        if (!response.ok) {
            throw new Error('gone');
        }
        return response.arrayBuffer();
    }

    async function load(of: number): Promise<void> {
        const mine = ++shown;
        try {
            const [mesh, states] = await Promise.all([bytes('mesh', of), bytes('states', of)]);
            if (mine === shown) {
                view?.show(mesh, new TextDecoder('latin1').decode(states));
                trouble = null;
                drawn = true;
            }
        } catch {
            trouble = 'The picture did not come. Load the page again; the figures beside it stand.';
        }
    }

    $effect(() => {
        if (view !== null) {
            void load(id);
        }
    });
    $effect(() => view?.surround(answer.seam, shows === 'mould' ? block : null));
    $effect(() => {
        const all: Pin[] = [{ id: 'spout', at: point(answer.mould.spout.at) }, ...pins.map((pin) => ({ id: pin.id, at: point(pin.at) }))];
        view?.pins(shows === 'mould' ? all : []);
    });
    $effect(() => {
        const { frame } = answer;
        const [low, high] = [frame.least[0] ?? 0, frame.most[0] ?? 0];
        view?.cut(shows === 'section' ? point(frame.across) : null, low + ((high - low) * cut) / 100);
    });
    $effect(() => {
        const floats = answer.float;
        view?.float(shows === 'tank' && floats !== null && floats.up !== null ? point(floats.up) : null, floats?.level_mm ?? 0);
    });

    onMount(() => {
        try {
            const made = new PieceView(canvas, (now) => (places = now));
            untrack(() => (view = made));
            made.repaint();
            const size = new ResizeObserver(() => made.resize());
            size.observe(canvas);
            const theme = new MutationObserver(() => {
                made.repaint();
                made.surround(answer.seam, shows === 'mould' ? block : null);
            });
            theme.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
            return () => {
                size.disconnect();
                theme.disconnect();
                made.close();
            };
        } catch {
            trouble = 'This browser draws nothing in three dimensions. All that is found stands in words beside it.';
            return undefined;
        }
    });

    function keys(event: KeyboardEvent): void {
        const by: Record<string, [number, number, number?]> = {
            ArrowLeft: [-10, 0],
            ArrowRight: [10, 0],
            ArrowUp: [0, 10],
            ArrowDown: [0, -10],
            '+': [0, 0, 0.85],
            '=': [0, 0, 0.85],
            '-': [0, 0, 1.18],
        };
        const turn = by[event.key];
        if (turn !== undefined) {
            event.preventDefault();
            event.stopPropagation();
            view?.turn(...turn);
        } else if (event.key === 'Home') {
            event.preventDefault();
            view?.home();
        }
    }
    const words = $derived(
        `The piece, ${answer.pull.undercut_area_pct.toFixed(1)} % of its surface hidden from the pull and striped. Turn it with the arrow keys, plus and minus come nearer and go away, Home begins again.`,
    );
</script>

<div class="picture">
    <!-- svelte-ignore a11y_no_interactive_element_to_noninteractive_role -->
    <canvas bind:this={canvas} data-drawn={drawn} role="img" aria-label={words} tabindex="0" onkeydown={keys}></canvas>
    {#each places as place (place.id)}
        {@const pin = pins.find((one) => one.id === place.id)}
        {#if !place.behind}<button
                class="pin"
                class:mould={pin?.kind === 'mould'}
                class:on={chosen === place.id}
                tabindex="-1"
                aria-hidden="true"
                style="left: {place.x}px; top: {place.y}px"
                onclick={() => onchoose(place.id)}>{pin?.mark ?? texts.sprueWithin}</button
            >{/if}
    {/each}
    {#if shows === 'tank' && answer.float === null}<p class="note">Say below what it is cast of, and it is laid into the water.</p>{/if}
    {#if shows === 'tank' && answer.float !== null && !answer.float.floats}<p class="note">
            It sinks: it weighs more than the water it takes the place of, and hangs like this on its way down.
        </p>{/if}
</div>
{#if trouble !== null}<p class="quiet" role="status">{trouble}</p>{/if}
<ul class="legend" aria-hidden="true">
    <li><i class="above"></i>leaves with the pull</li>
    <li><i class="below"></i>leaves the other way</li>
    <li><i class="hidden"></i>hides</li>
</ul>

<style>
    .picture {
        --piece-above: oklch(85% 0.055 85);
        --piece-below: oklch(76% 0.045 165);
        --piece-hidden: oklch(62% 0.16 35);
        --piece-base: oklch(75% 0.01 85);
        --piece-inside: oklch(50% 0.03 80);
        --piece-water: oklch(62% 0.08 220);
        position: relative;
        height: min(62vh, 34rem);
        border-radius: 1.6rem 1.6rem 1.6rem 0.5rem;
        background: var(--color-secondary);
        overflow: hidden;
        touch-action: none;
    }
    :global([data-theme='lamplit']) .picture {
        --piece-above: oklch(72% 0.06 85);
        --piece-below: oklch(60% 0.055 165);
        --piece-hidden: oklch(66% 0.17 35);
        --piece-base: oklch(55% 0.01 85);
        --piece-inside: oklch(38% 0.03 80);
    }
    canvas:focus-visible {
        outline: 3px solid var(--color-accent);
        outline-offset: -4px;
    }
    canvas {
        width: 100%;
        height: 100%;
        display: block;
    }
    .pin {
        position: absolute;
        translate: -50% -120%;
        min-width: 1.6rem;
        height: 1.6rem;
        padding: 0 0.45rem;
        border-radius: 0.8rem 0.8rem 0.8rem 0.15rem;
        background: var(--color-base-content);
        color: var(--color-base-100);
        font-weight: 700;
        font-size: 0.875rem;
        cursor: pointer;
    }
    .pin.mould {
        border-radius: 0.25rem;
    }
    .pin.on {
        background: var(--color-primary);
        color: var(--color-primary-content);
    }
    .note {
        position: absolute;
        inset: auto 1rem 1rem;
        text-align: center;
    }
    .legend {
        display: flex;
        flex-wrap: wrap;
        gap: 0.3rem 1.2rem;
        margin-top: 0.4rem;
        font-size: 0.9rem;
    }
    .legend li {
        display: flex;
        align-items: center;
        gap: 0.4rem;
    }
    i {
        width: 1.1rem;
        height: 1.1rem;
        border-radius: 0.3rem;
    }
    .above {
        background: oklch(85% 0.055 85);
    }
    .below {
        background: oklch(76% 0.045 165);
    }
    .hidden {
        display: block;
        background: repeating-linear-gradient(135deg, oklch(62% 0.16 35) 0 3px, oklch(33% 0.09 35) 3px 6px);
    }
</style>
