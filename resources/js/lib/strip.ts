import type { StripView } from '../types/server';

/** The geometry of the day strip: where a pour lies in time, and which lane it takes. */
export type Plan = StripView['plans'][number];
/** A live pour, or a build, with what is planned for it as outlines. */
export type Lozenge = StripView['lozenges'][number] & { plans?: Plan[] };
export type Span = { from_ms: number; to_ms: number };

export const LANES = 3;
/** Pixels a letter of a name takes, near enough to keep names apart. */
const LETTER = 8;

export const nameWidth = (lozenge: Lozenge): number => lozenge.title.length * LETTER + 24;

export function ends(lozenge: Lozenge): { from: number; to: number } {
    const all = [...lozenge.hands, ...lozenge.waits, ...lozenge.windows.filter((w) => w.kind !== 'service'), ...(lozenge.plans ?? [])];
    return { from: Math.min(...all.map((p) => p.from_ms)), to: Math.max(...all.map((p) => p.to_ms)) };
}

/** What is planned lies with the pour it belongs to, and that of a build in a lane of its own. */
export function withPlans(strip: StripView): Lozenge[] {
    const lozenges: Lozenge[] = strip.lozenges.map((l) => ({ ...l, plans: [] }));
    for (const plan of strip.plans) {
        const href = plan.href;
        let lane = lozenges.find((l) => l.href === href);
        if (lane === undefined) {
            lane = {
                id: `plan-${href}`,
                href,
                job: plan.job,
                title: plan.title,
                state: 'planned',
                hands: [],
                waits: [],
                windows: [],
                plans: [],
            };
            lozenges.push(lane);
        }
        lane.state = plan.live ? 'running' : lane.state;
        lane.plans?.push(plan);
    }
    return lozenges;
}

/** What needs hands comes first, then what needs them soonest. */
function urgency(lozenge: Lozenge, { calls, now_ms: now }: StripView): number {
    if (lozenge.state === 'running') {
        return 0;
    }
    // A window that is open now comes before all that merely cures, the one that shuts first before the others.
    const shuts = (lozenge.plans ?? [])
        .filter((p) => p.opens_ms !== null && p.opens_ms <= now && (p.shuts_ms ?? 0) >= now)
        .map((p) => p.shuts_ms ?? 0);
    if (shuts.length > 0 && lozenge.state !== 'opened') {
        return 1 + (Math.min(...shuts) - now) / 1e10;
    }
    // What nobody has begun gives way to what is there; a build wants hands at its next operation.
    if (lozenge.state === 'planned') {
        return (
            (lozenge.href.startsWith('/builds') ? 0 : Number.MAX_SAFE_INTEGER / 2) +
            Math.min(...(lozenge.plans ?? []).map((p) => p.from_ms))
        );
    }
    return lozenge.state === 'opened' ? 1 : (calls.find((c) => c.id === lozenge.id)?.at_ms ?? ends(lozenge).to);
}

/** Each takes the first lane that is free where it and its name stand; what finds none is counted. */
export function lay(
    strip: StripView,
    start: number,
    length: number,
    width: number,
): { lanes: { l: Lozenge; lane: number }[]; more: number } {
    const taken: { from: number; to: number }[][] = Array.from({ length: LANES }, () => []);
    const lanes: { l: Lozenge; lane: number }[] = [];
    let more = 0;
    const inView = withPlans(strip).filter((l) => ends(l).to > start && ends(l).from < start + length);
    for (const l of inView.sort((a, b) => urgency(a, strip) - urgency(b, strip))) {
        const { from, to } = ends(l);
        const place = { from, to: Math.max(to, from + ((nameWidth(l) + 16) / width) * length) + length / 60 };
        const lane = taken.findIndex((others) => others.every((other) => other.to < place.from || other.from > place.to));
        if (lane === -1) {
            more++;
            continue;
        }
        taken[lane]?.push(place);
        lanes.push({ l, lane });
    }
    return { lanes, more };
}

/** What a bracket takes of the lane, in pixels, either way of its edge. */
const BRACKET = 8;

/**
 * Where a name stands: in the room nearest to where its lozenge begins that holds it, over a wait rather than over anything else. Where
 * none holds it, the widest takes what fits of it: a name makes way for what it names.
 */
export function nameAt(l: Lozenge, start: number, length: number, width: number): { left: number; room: number } {
    const px = (ms: number): number => ((ms - start) / length) * width;
    const edges = [
        ...l.windows.map((w) => [w.from_ms, w.to_ms]),
        ...(l.plans ?? []).flatMap((p) => (p.opens_ms === null || p.shuts_ms === null ? [] : [[p.opens_ms, p.shuts_ms]])),
    ].flat();
    const taken = [
        ...[...l.hands, ...(l.plans ?? [])].map((p) => [px(p.from_ms), Math.max(px(p.to_ms), px(p.from_ms) + 10)] as const),
        ...edges.map((at) => [px(at) - BRACKET, px(at) + BRACKET] as const),
    ]
        .filter(([from, to]) => to > 0 && from < width)
        .sort((a, b) => a[0] - b[0]);
    const rooms: { from: number; to: number }[] = [];
    let at = 4;
    for (const [from, to] of taken) {
        if (from - 4 > at) {
            rooms.push({ from: at, to: from - 4 });
        }
        at = Math.max(at, to + 6);
    }
    if (width - 4 > at) {
        rooms.push({ from: at, to: width - 4 });
    }
    const need = nameWidth(l);
    const begins = Math.min(Math.max(0, px(ends(l).from)), width);
    const places = rooms
        .filter((room) => room.to - room.from >= need)
        // Behind what it names it stands close to it, before it close as well.
        .map((room) => ({ left: room.to <= begins ? room.to - need : room.from, room: need }));
    // Its own stretch of the lane, which no other has, comes before the rest.
    const own = Math.max(px(ends(l).to), begins + need + 16) + width / 60;
    const strays = (left: number): number => (left < begins || left + need > own ? width : 0);
    const nearest = places.sort((a, b) => strays(a.left) + Math.abs(a.left - begins) - strays(b.left) - Math.abs(b.left - begins))[0];
    const widest = rooms.sort((a, b) => b.to - b.from - (a.to - a.from))[0];
    return nearest ?? (widest === undefined ? { left: 4, room: need } : { left: widest.from, room: widest.to - widest.from });
}
