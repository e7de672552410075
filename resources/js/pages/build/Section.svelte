<script lang="ts">
    /** The impression in section, from the original outwards: every coat as thick as it really lies, in its own tint. */
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import type { BuildView } from '../../types/server';
    import * as texts from './texts';

    let { build }: { build: BuildView } = $props();
    const uid = $props.id();
    const H = 300;
    const W = 420;
    const FACE = 92;

    const keys = $derived(build.operations.find((op) => op.kind === 'keys') ?? null);
    const embed = $derived(build.operations.find((op) => op.kind === 'embed') ?? null);
    const total = $derived(
        build.section.filter((l) => !l.jacket).reduce((sum, layer) => sum + shown(layer), 0) +
            Math.max(0, ...build.section.filter((l) => l.jacket).map(shown)),
    );
    /** A jacket is as thick as a hand, and drawn no thicker than the rest. */
    function shown(layer: BuildView['section'][number]): number {
        return layer.jacket ? Math.min(9, Math.max(4, layer.thickness_mm)) : layer.thickness_mm;
    }
    const scale = $derived(Math.min(34, (W - FACE - 70) / Math.max(1, total)));

    /** The face of the piece: one hollow, one bulge, so that one sees coats follow it. */
    const face = (y: number): number => FACE + 16 * Math.sin((y / H) * Math.PI * 2.2) + 9 * Math.sin((y / H) * Math.PI * 5);
    const ys = Array.from({ length: 31 }, (_, i) => (i * H) / 30);
    const line = (offset: number, back = false): string =>
        (back ? [...ys].reverse() : ys).map((y) => `${String(Math.round((face(y) + offset) * 10) / 10)},${String(y)}`).join(' ');

    const layers = $derived.by(() => {
        let at = 0;
        return build.section.map((layer) => {
            const from = at;
            // Shells stand beside each other round what lies inside them.
            const to = at + shown(layer) * scale;
            at = layer.jacket ? at : to;
            return { ...layer, from, to };
        });
    });
    const outer = $derived(layers.filter((l) => !l.jacket).at(-1)?.to ?? 0);
    /** Two halves stand beside each other round the piece, with their shells round both. */
    const halves = $derived(build.section.filter((l) => l.half));
    const shells = $derived(build.section.filter((l) => l.jacket));
    const inMould = $derived(build.makes === 'cast' || build.makes === 'copy');
    const words = $derived(
        build.section
            .map(
                (l) =>
                    `${l.name} ${measure(l.thickness_mm, 'length', bench.units)}, ${l.state === 'laid' ? 'laid' : l.state === 'wet' ? 'being laid' : 'planned'}`,
            )
            .join('; '),
    );
</script>

<figure class="section">
    <svg
        viewBox="0 0 {W} {H + 40}"
        role="img"
        aria-label={texts.inSection(words, build.inside.length > 0 ? texts.insideIt(build.inside.join(', ')) : '')}
    >
        <defs>
            <pattern id="{uid}-wet" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(35)"
                ><rect width="7" height="7" fill="transparent" /><line x1="0" y1="0" x2="0" y2="7" class="stripe" /></pattern
            >
            <clipPath id="{uid}-frame"><rect x="0" y="0" width={W} height={H} /></clipPath>
            {#each shells as shell, i (shell.id)}
                <clipPath id="{uid}-shell-{i}"
                    ><rect x="0" y={H - ((i + 1) * H) / shells.length} width={W} height={H / shells.length - (i > 0 ? 2 : 0)} /></clipPath
                >
            {/each}
        </defs>
        {#if halves.length > 0}
            {#each shells as shell, i (shell.id)}
                <rect
                    class="layer {shell.state}"
                    x="24"
                    y={i % 2 === 0 ? H / 2 : 8}
                    width={W - 48}
                    height={H / 2 - 8}
                    rx="18"
                    style={shell.state === 'planned' ? '' : `fill:${shell.colour}`}
                />
            {/each}
            {#each halves as half, i (half.id)}
                {@const low = i % 2 === 0}
                <path
                    class="layer {half.state}"
                    d="M 52 {H / 2} H {W - 52} V {low ? H - 34 : 34} H 52 Z"
                    style={half.state === 'planned' ? '' : `fill:${half.colour}`}
                />
                {#if half.state === 'wet'}<path d="M 52 {H / 2} H {W - 52} V {low ? H - 34 : 34} H 52 Z" fill="url(#{uid}-wet)" />{/if}
                <text x="64" y={low ? H - 46 : 58} class="what">{half.name}</text>
            {/each}
            <ellipse class="piece outlined" cx={W / 2} cy={H / 2} rx="96" ry="62" />
            {#each [88, W - 88] as x (x)}<path class="key" d="M {x - 12} {H / 2} l 5 12 h 14 l 5 -12 Z" />{/each}
            <line class="seam" x1="24" x2={W - 24} y1={H / 2} y2={H / 2} />
            <text x={W / 2} y={H / 2 + 7} class="what" text-anchor="middle">{inMould ? 'the piece' : 'the original'}</text>
        {:else}
            <g clip-path="url(#{uid}-frame)">
                <polygon class="piece" points="0,0 {line(0)} 0,{H}" />
                {#each layers as layer (layer.id)}
                    <polygon
                        class="layer {layer.state}"
                        points="{line(layer.from)} {line(layer.to, true)}"
                        style={layer.state === 'planned' ? '' : `fill:${layer.colour}`}
                    />
                    {#if layer.state === 'wet'}<polygon points="{line(layer.from)} {line(layer.to, true)}" fill="url(#{uid}-wet)" />{/if}
                {/each}
                {#if keys !== null && embed !== null && embed.state !== 'left_out'}
                    {#each [0.2, 0.55, 0.86] as share (share)}
                        {@const y = share * H}
                        {@const x = face(y) + outer}
                        <path
                            class="key"
                            class:set={embed.state === 'done'}
                            d="M {x - 6} {y - 11} L {x + 14} {y - 5} L {x + 14} {y + 5} L {x - 6} {y + 11} Z"
                        />
                    {/each}
                {/if}
            </g>
            {#if build.inside.length > 0}
                <polygon class="piece" points="{line(outer)} {W},{H} {W},0" />
                <text x={W - 8} y="26" class="what" text-anchor="end">{build.inside[0]}</text>
            {/if}
            <text x="8" y="26" class="what">{inMould ? 'the mould' : 'the original'}</text>
        {/if}
        {#if total > 0 && halves.length === 0}
            <line class="bar" x1={FACE} x2={FACE + 5 * scale} y1={H + 20} y2={H + 20} />
            <text x={FACE + 5 * scale + 8} y={H + 27} class="what fig">{measure(5, 'length', bench.units)}</text>
        {/if}
    </svg>
    {#if build.section.length > 0}
        <ol aria-label={halves.length > 0 ? texts.parts : inMould ? texts.layersFromTheMouldInwards : texts.layersFromTheOriginalOutwards}>
            {#each build.section as layer (layer.id)}
                <li>
                    <span class="swatch {layer.state}" style="--tint:{layer.colour}"></span>
                    <span>{layer.name}</span>
                    {#if !layer.jacket && layer.kind === 'coat'}<span class="fig">{measure(layer.thickness_mm, 'length', bench.units)}</span
                        >{/if}
                    <span class="quiet">{layer.state === 'laid' ? '' : layer.state === 'wet' ? 'being laid' : 'to come'}</span>
                </li>
            {/each}
        </ol>
        {#if build.section.some((l) => l.kind === 'coat')}<p>
                <b class="fig">{measure(build.laid_mm, 'length', bench.units)}</b> of {measure(build.wall_mm, 'length', bench.units)} are on.
            </p>{/if}
    {/if}
</figure>

<style>
    .section {
        display: grid;
        gap: 0.6rem;
    }
    svg {
        width: 100%;
        max-height: 22rem;
        background: var(--color-base-200);
        border-radius: 1.4rem;
    }
    .piece {
        fill: color-mix(in oklab, var(--color-base-300) 80%, var(--color-neutral));
    }
    .layer {
        stroke: color-mix(in oklab, var(--color-base-content) 55%, transparent);
        stroke-width: 1.2;
    }
    .layer.planned {
        fill: transparent;
        stroke-dasharray: 5 4;
    }
    .outlined {
        stroke: var(--color-base-content);
        stroke-width: 1.5;
    }
    .seam {
        stroke: var(--color-base-content);
        stroke-width: 1.5;
        stroke-dasharray: 7 5;
    }
    .stripe {
        stroke: color-mix(in oklab, var(--color-base-content) 40%, transparent);
        stroke-width: 2.5;
    }
    .key {
        fill: none;
        stroke: var(--color-base-content);
        stroke-width: 1.5;
        stroke-dasharray: 4 3;
    }
    .key.set {
        fill: color-mix(in oklab, var(--color-base-content) 55%, var(--color-base-200));
        stroke-dasharray: none;
    }
    .what {
        font-size: 20px;
        fill: var(--color-base-content);
    }
    .bar {
        stroke: var(--color-base-content);
        stroke-width: 3;
    }
    ol {
        display: grid;
        gap: 0.15rem;
    }
    li {
        display: grid;
        grid-template-columns: 1.2rem 1fr auto auto;
        gap: 0.6rem;
        align-items: center;
    }
    .swatch {
        width: 1.1rem;
        height: 1.1rem;
        border-radius: 0.3rem;
        background: var(--tint);
        border: 1.5px solid color-mix(in oklab, var(--tint) 60%, black);
    }
    .swatch.planned {
        background: transparent;
        border: 1.5px dashed var(--color-neutral);
    }
</style>
