<script lang="ts">
    /**
     * The softener curve: hardness against softener on one height for both scales, the band it lies in four times out of five, the
     * shop's pucks, and a target that is dragged or moved with the arrow keys.
     */
    import { scaleLinear } from 'd3-scale';
    import type { HardnessAnswerView } from '../../types/server';
    import * as texts from './texts';

    type Stop = HardnessAnswerView['stops'][number];
    type Props = {
        answer: HardnessAnswerView;
        target: { scale: string; reading: unknown };
        fresh: boolean;
        ontarget: (stop: Stop) => void;
    };
    let { answer, target, fresh, ontarget }: Props = $props();

    // Drawn in the pixels it has, so that its figures stay legible on a phone.
    let width = $state(780);
    const W = $derived(Math.max(300, width));
    const H = $derived(W < 520 ? 340 : 400);
    const box = { left: 74, right: 18, top: 14, bottom: 42 };
    let svg: SVGSVGElement;
    let dragging = false;

    const named = (s: { scale: string; reading: number }): string => `${s.scale}${s.scale === '00' ? '-' : ' '}${String(s.reading)}`;

    const last = $derived(answer.line.at(-1)?.pct ?? 100);
    const x = $derived(scaleLinear([0, last], [box.left, W - box.right]));
    const heights = $derived([...answer.line.flatMap((p) => [p.low_y, p.high_y]), ...answer.pucks.map((p) => p.y), answer.target.y]);
    const y = $derived(scaleLinear([Math.min(...heights) - 0.12, Math.max(...heights) + 0.12], [H - box.bottom, box.top]));
    const inside = (h: number): boolean => h >= (y.domain()[0] ?? 0) && h <= (y.domain()[1] ?? 0);

    const path = (points: { pct: number; y: number }[]): string =>
        points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.pct).toFixed(1)} ${y(p.y).toFixed(1)}`).join('');
    const band = $derived(
        path(answer.line.map((p) => ({ pct: p.pct, y: p.high_y }))) +
            path([...answer.line].reverse().map((p) => ({ pct: p.pct, y: p.low_y }))).replace('M', 'L') +
            'Z',
    );
    // Beyond the softest puck the line is only drawn on.
    const known = $derived(Math.max(0, ...answer.pucks.map((p) => p.pct)));
    const solid = $derived(answer.line.filter((p) => p.pct <= known));
    const drawnOn = $derived(answer.line.filter((p) => p.pct >= (solid.at(-1)?.pct ?? 0)));

    const marks = $derived(answer.stops.filter((s) => inside(s.y) && (s.scale === '00' ? s.reading % 10 === 0 : s.reading % 5 === 0)));
    const seam = $derived(answer.stops.find((s) => s.scale === 'A')?.y ?? null);
    const labelled = $derived(
        marks.filter((m) => (m.scale === 'A' ? m.reading % 10 === 0 || spread > 26 : seam === null || y(m.y) - y(seam) > 15)),
    );
    // How far apart five points of A lie here: where they crowd, every second one goes.
    const spread = $derived.by(() => {
        const a = marks.filter((m) => m.scale === 'A');
        return a.length < 2 ? 99 : Math.abs(y(a.at(-1)?.y ?? 0) - y(a.at(-2)?.y ?? 0)) * 2;
    });
    const at = $derived(answer.harden.for_target);
    // The handle goes ahead of the answer, or a quick hand would pull it back.
    const place = $derived(answer.stops.findIndex((s) => s.scale === target.scale && s.reading === Math.round(Number(target.reading))));
    const ahead = $derived(fresh ? undefined : answer.stops[place]);
    const wanted = $derived(ahead?.y ?? answer.target.y);
    const written = $derived(ahead === undefined ? answer.target.written : named(ahead));

    // A finger on the drawing scrolls the page; on the handle, or as a tap, it sets the target. A mouse may take hold anywhere.
    function hold(event: PointerEvent): void {
        if (event.pointerType !== 'touch' || (event.target instanceof Element && event.target.closest('.handle') !== null)) {
            dragging = true;
            svg.setPointerCapture(event.pointerId);
            to(event);
        }
    }

    function move(event: PointerEvent): void {
        if (dragging) {
            to(event);
        }
    }

    function to(event: MouseEvent): void {
        const frame = svg.getBoundingClientRect();
        const height = y.invert(((event.clientY - frame.top) / frame.height) * H);
        const nearest = answer.stops.reduce((best, s) => (Math.abs(s.y - height) < Math.abs(best.y - height) ? s : best));
        if (nearest !== answer.stops[place]) {
            ontarget(nearest);
        }
    }

    function keys(event: KeyboardEvent): void {
        const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 5, PageDown: -5 }[event.key];
        const next = by === undefined ? undefined : answer.stops[Math.max(0, Math.min(answer.stops.length - 1, place + by))];
        if (next !== undefined) {
            event.preventDefault();
            ontarget(next);
        }
    }
</script>

<div bind:clientWidth={width}>
    <!-- The keyboard has the slider inside; the drawing itself is only for pointers. -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
    <svg
        bind:this={svg}
        viewBox="0 0 {W} {H}"
        class="curve"
        class:stale={!fresh}
        role="group"
        aria-label={texts.hardnessBySoftener}
        onpointerdown={hold}
        onclick={to}
        onpointermove={move}
        onpointerup={() => (dragging = false)}
        onpointercancel={() => (dragging = false)}
    >
        <defs>
            <pattern id="past" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="2" height="7" class="hatch" />
            </pattern>
        </defs>
        {#if answer.limit_pct < last}
            <rect
                x={x(answer.limit_pct)}
                y={box.top}
                width={x(last) - x(answer.limit_pct)}
                height={H - box.top - box.bottom}
                fill="url(#past)"
            />
            {#if x(last) - x(answer.limit_pct) > 85}<text x={x(answer.limit_pct) + 6} y={box.top + 14} class="small">past the sheet</text
                >{/if}
        {/if}
        {#each labelled as mark (named(mark))}
            <line x1={box.left} x2={W - box.right} y1={y(mark.y)} y2={y(mark.y)} class="grid-line" />
            <text x={box.left - 10} y={y(mark.y) + 4.5} class="fig mark" text-anchor="end">{named(mark)}</text>
        {/each}
        {#if seam !== null && inside(seam)}
            <line x1={box.left} x2={W - box.right} y1={y(seam)} y2={y(seam)} class="seam" />
            {#if y(seam) - box.top > 14}<text x={x(last * 0.5)} y={y(seam) - 6} class="small">read on A</text>{/if}
            <text x={x(last * 0.5)} y={y(seam) + 16} class="small">read on 00</text>
        {/if}
        {#each x.ticks(W < 520 ? 5 : 8) as tick (tick)}
            <line x1={x(tick)} x2={x(tick)} y1={H - box.bottom} y2={H - box.bottom + 5} class="tick" />
            <text x={x(tick)} y={H - box.bottom + 20} class="fig mark" text-anchor="middle">{tick}</text>
        {/each}
        <text x={W - box.right} y={H - 6} class="small" text-anchor="end">softener, % of A+B</text>
        <path d={band} class="band" />
        <path d={path(drawnOn)} class="line on" />
        <path d={path(solid)} class="line" />
        {#each answer.pucks as puck (puck.id)}
            <g class="puck" class:off={puck.outlier} transform="translate({x(puck.pct)} {y(puck.y)})">
                <path d="M-11 -3 V4 A11 5 0 0 0 11 4 V-3" />
                <ellipse cy="-3" rx="11" ry="5" />
                {#if puck.outlier}<text y="-12" text-anchor="middle" class="query">?</text>{/if}
                <title>{puck.name}: {puck.written}{puck.outlier ? ', contradicts the others' : ''}</title>
            </g>
        {/each}
        <line x1={box.left} x2={at === null ? W - box.right : x(at.pct_of_ab)} y1={y(wanted)} y2={y(wanted)} class="target" />
        {#if at !== null && at.pct_of_ab <= last}
            <line x1={x(at.pct_of_ab)} x2={x(at.pct_of_ab)} y1={y(wanted)} y2={H - box.bottom} class="target" />
            <line x1={x(at.low)} x2={x(Math.min(last, at.high))} y1={H - box.bottom} y2={H - box.bottom} class="span" />
            <circle cx={x(at.pct_of_ab)} cy={y(wanted)} r="5.5" class="hit" />
        {/if}
        <g
            role="slider"
            tabindex="0"
            aria-label={texts.hardnessWanted}
            aria-orientation="vertical"
            aria-valuemin={0}
            aria-valuemax={answer.stops.length - 1}
            aria-valuenow={Math.max(0, place)}
            aria-valuetext="{written}{at === null ? '' : `, ${at.pct_of_ab.toFixed(0)} % of A+B`}"
            class="handle"
            onkeydown={keys}
            transform="translate({box.left} {y(wanted)})"
        >
            <rect x="-78" y="-30" width="80" height="60" fill="transparent" />
            <path d="M0 0 L-11 -15 H-66 A6 6 0 0 0 -72 -9 V9 A6 6 0 0 0 -66 15 H-11 Z" />
            <text x="-40" y="5" text-anchor="middle" class="fig">{written}</text>
        </g>
    </svg>
</div>

<style>
    .curve {
        width: 100%;
        height: auto;
        display: block;
        touch-action: pan-y;
        cursor: ns-resize;
        user-select: none;
    }
    .grid-line {
        stroke: var(--color-base-300);
        stroke-width: 1;
    }
    .seam {
        stroke: var(--color-neutral);
        stroke-width: 1.5;
        stroke-dasharray: 2 5;
    }
    .tick {
        stroke: var(--color-neutral);
    }
    .mark {
        font-size: 14px;
        fill: var(--color-base-content);
    }
    .small {
        font-size: 14px;
        fill: var(--color-neutral);
    }
    .hatch {
        fill: color-mix(in oklab, var(--color-warning) 30%, transparent);
    }
    .band {
        fill: color-mix(in oklab, var(--color-success) 20%, transparent);
    }
    .line {
        fill: none;
        stroke: var(--color-success);
        stroke-width: 3;
        stroke-linejoin: round;
    }
    .line.on {
        stroke-dasharray: 6 6;
    }
    .puck path,
    .puck ellipse {
        fill: var(--color-secondary);
        stroke: var(--color-base-content);
        stroke-width: 1.8;
    }
    .puck.off path,
    .puck.off ellipse {
        fill: var(--color-base-100);
        stroke: var(--color-error);
        stroke-dasharray: 3 2;
    }
    .query {
        font-weight: 700;
        font-size: 17px;
        fill: var(--color-error);
    }
    .target {
        stroke: var(--color-accent);
        stroke-width: 2.5;
    }
    .span {
        stroke: var(--color-accent);
        stroke-width: 7;
        stroke-linecap: round;
        opacity: 0.45;
    }
    .hit,
    .handle path {
        fill: var(--color-accent);
    }
    .handle {
        touch-action: none;
    }
    .handle text {
        fill: var(--color-accent-content);
        font-weight: 700;
        font-size: 15px;
    }
    .handle:focus-visible {
        outline: none;
    }
    .handle:focus-visible path {
        stroke: var(--color-base-content);
        stroke-width: 3;
    }
    .stale .hit,
    .stale .span {
        opacity: 0.2;
    }
</style>
