/**
 * Walks a run on where the bench computer does not answer: by the steps it sent ahead, and by the table of what follows an over-pour. What
 * is not among them it does not guess at: then the run stands where it stands, what is told is kept, and it goes on when it is reckoned.
 */
import type { AheadView, RunView } from '../types/server';
import { lineOf, meets, raised, rescueOf, slack, sum, type Cup, type Line } from './cup';

export type Told = { key: string; kind: string; at_ms: number; payload: Record<string, unknown> };
/** Where a walk stands: what is shown, and what is needed to go on from there. */
export type Walk = {
    view: RunView;
    cups: Cup[];
    at: number;
    ahead: AheadView;
    stands: Told[];
    /** What was weighed last. */
    last: { name: string; grams: number } | null;
    /** Why it cannot go on by itself. */
    wants: string | null;
};

const CRUMB = 1e-9;
/** Of more readings, and notes, the last stand on the page. */
const NOTES = 60;

export const WANTS = 'This over-pour has to be reckoned by the bench computer. Leave it as it is and pour on, or wait until it answers.';

/** From where the server last said the run stands; null where it was sent ahead for another state. */
export function begin(view: RunView, ahead: AheadView | null): Walk | null {
    if (ahead === null || ahead.last_fact_id !== view.last_fact_id) {
        return null;
    }
    const cups = ahead.cups.map((cup) => ({
        ...cup,
        queue: [...cup.queue],
        filled_ms: view.cups.find((one) => one.batch === cup.batch)?.filled_ms ?? null,
        rescued: false,
        off: false,
    }));
    // At an over-pour the steps sent ahead begin with what comes after it.
    const isBefore = view.step.kind === 'rescue' && !(ahead.steps[0]?.kind === 'weigh' && ahead.steps[0].batch === view.step.batch);
    return { view, cups, at: isBefore ? -1 : 0, ahead, stands: [], last: null, wants: null };
}

/** All of it, one after the other, as far as it is known here; what was taken back again does not count. */
export function walked(from: Walk, told: Told[]): Walk {
    // Something of before the bench computer went away is taken back: what stood then is not here.
    if (told.some((one) => one.kind === 'undone' && one.payload.of_key === undefined)) {
        return { ...from, wants: 'What was told before the bench computer went away is taken back when it answers again.' };
    }
    const back = new Set(told.filter((one) => one.kind === 'undone').map((one) => String(one.payload.of_key)));
    let walk = from;
    for (const one of told.filter((fact) => fact.kind !== 'undone' && !back.has(fact.key))) {
        const next = after(walk, one);
        if (next === null) {
            return { ...walk, wants: walk.wants ?? 'What you told last is looked at when the bench computer answers again. It is kept.' };
        }
        walk = next;
    }
    return walk;
}

/** Where it stands after one thing more. */
export function after(walk: Walk, told: Told): Walk | null {
    const step = walk.view.step;
    const about = told.payload.step;
    if (typeof about === 'string' && about !== step.key) {
        return null;
    }
    const next = happened(walk, told);
    return next === null
        ? null
        : { ...next, stands: told.kind === 'met' ? next.stands : [...next.stands, told], view: withTakeBack(next, told) };
}

function happened(walk: Walk, told: Told): Walk | null {
    const { view } = walk;
    const at = told.at_ms;
    const done = typeof told.payload.done_ms === 'number' ? told.payload.done_ms : at;
    const cup = cupOf(walk);
    switch (told.kind) {
        case 'begun':
        case 'checked':
            return view.step.kind !== 'contacts' ? null : shownAs(walk, { checklist: ticked(view, told, done) });
        case 'confirmed':
            return confirmed(walk, cup, at);
        case 'met':
            // That A met B stays, also where the weighing it was seen in is taken back.
            return view.step.kind === 'weigh' ? cupped(walk, { ...cup, met_ms: cup.met_ms ?? at }) : walk;
        case 'weighed':
            return weighed(walk, cup, told);
        case 'rescued':
            return view.rescue === null ? null : weighingOn(cupped(walk, raised(cup, view.rescue, walk.ahead)), at);
        case 'kept':
            return view.step.kind !== 'rescue' ? null : weighingOn({ ...walk, wants: null }, at);
        case 'counted':
            return cupped(walk, { ...cup, display_g: Number(told.payload.reading_g) - Number(told.payload.in_line_g ?? 0) });
        case 'noted':
            return shownAs(walk, {
                notes: [
                    ...view.notes,
                    { at_ms: at, text: String(told.payload.text ?? ''), fault: (told.payload.fault as string | null) ?? null },
                ].slice(-NOTES),
            });
        case 'gelled':
            return shownAs(walk, { wait: { ...view.wait, gelled_ms: done } });
        case 'opened':
            return view.step.kind !== 'wait' ? null : ended(shownAs(walk, { wait: { ...view.wait, opened_ms: done } }), 'grade', at);
        default:
            // The grade, giving it up, the other part poured: told, kept, and looked at when the bench computer is back.
            return null;
    }
}

const cupOf = (walk: Walk): Cup => {
    const batch = Math.max(1, walk.view.step.batch);
    return walk.cups.find((cup) => cup.batch === batch) ?? (walk.cups[walk.cups.length - 1] as Cup);
};

const shownAs = (walk: Walk, more: Partial<RunView>): Walk => ({ ...walk, view: { ...walk.view, ...more } });

/** The cup at hand as it is now, with its clock and what stands in all of them. */
function cupped(walk: Walk, cup: Cup): Walk {
    const cups = walk.cups.map((one) => (one.batch === cup.batch ? cup : one));
    return looked({ ...walk, cups }, cup);
}

/** What the screen shows follows from the cups. */
function looked(walk: Walk, cup: Cup): Walk {
    const { view, ahead } = walk;
    const after = (met: number | null, ms: number | null): number | null => (met === null || ms === null ? null : met + ms);
    const known = view.cups;
    const colours = new Map(view.cup.fills.map((fill) => [fill.code, fill.colour]));
    const mets = walk.cups.map((one) => one.met_ms).filter((met) => met !== null);
    const filled = walk.cups.map((one) => one.filled_ms).filter((ms) => ms !== null);
    const planned = sum(Object.values(cup.planned));
    const lastMet = mets.length === 0 ? null : (mets[mets.length - 1] as number);
    const weighs = view.step.kind === 'weigh';
    const line = weighs ? lineOf(walk, cup) : null;
    const pot = (one: Cup): number | null => {
        const before = known.find((it) => it.batch === one.batch);
        return before !== undefined && before.met_ms === one.met_ms ? before.pot_ends_ms : after(one.met_ms, ahead.after_met.pot_ends_ms);
    };
    const isNew = lastMet !== lastMetOf(view);
    return shownAs(walk, {
        cup: {
            ...view.cup,
            fills: Object.entries(cup.planned).map(([code, grams]) => ({
                code,
                name: ahead.names[code] ?? code,
                planned_g: grams,
                poured_g: cup.poured[code] ?? 0,
                colour: colours.get(code) ?? '#c9b38c',
            })),
            display_g: cup.display_g,
            k: cup.k,
            mass_g: planned,
        },
        line,
        next_line: line !== null && cup.queue[1] !== undefined ? (ahead.names[cup.queue[1].add] ?? cup.queue[1].add) : null,
        meets_now: line !== null && meets(walk, cup),
        clock: { ...view.clock, met_ms: cup.met_ms, pot_ends_ms: pot(cup) },
        cups: walk.cups.map((one) => ({
            batch: one.batch,
            grams: known.find((it) => it.batch === one.batch)?.grams ?? sum(Object.values(one.planned)),
            weighed: one.weighings > 0,
            met_ms: one.met_ms,
            pot_ends_ms: one.met_ms === null ? null : pot(one),
            filled_ms: one.filled_ms,
        })),
        may_swap: false,
        may_plan: false,
        carried: cup.weighings > 0 && view.step.kind === 'tare',
        second_cup: planned > ahead.second_cup_g,
        weighed_g: sum(walk.cups.map((one) => sum(Object.values(one.poured)))),
        wait: {
            ...view.wait,
            ...(isNew
                ? {
                      open_low_ms: after(lastMet, ahead.after_met.open_low_ms),
                      open_likely_ms: after(lastMet, ahead.after_met.open_likely_ms),
                      open_high_ms: after(lastMet, ahead.after_met.open_high_ms),
                      service_ms: after(lastMet, ahead.after_met.service_ms),
                  }
                : {}),
            poured_ms: filled.length === walk.cups.length ? Math.max(...filled) : null,
        },
        cautions: view.step.batch <= 1 ? (ahead.cautions[view.step.kind] ?? []) : [],
    });
}

const lastMetOf = (view: RunView): number | null =>
    view.cups
        .map((cup) => cup.met_ms)
        .filter((met) => met !== null)
        .at(-1) ?? null;

function weighed(walk: Walk, cup: Cup, told: Told): Walk | null {
    const line = walk.view.line;
    const reading = Number(told.payload.reading_g);
    const queued: Line | undefined = cup.queue[0];
    if (walk.view.step.kind !== 'weigh' || line === null || queued === undefined || !Number.isFinite(reading)) {
        return null;
    }
    const poured = { ...cup.poured, [line.add]: (cup.poured[line.add] ?? 0) + Math.max(0, reading - cup.display_g) };
    const [total, wanted] = [poured[line.add] ?? 0, cup.planned[line.add] ?? 0];
    const isMet = !walk.ahead.heated && (poured.A ?? 0) > 0 && (walk.view.one_part || (poured.B ?? 0) > 0);
    const now: Cup = {
        ...cup,
        poured,
        queue: cup.queue.slice(1),
        weighings: cup.weighings + 1,
        display_g: reading,
        met_ms: cup.met_ms ?? (isMet ? told.at_ms : null),
        off: cup.off || total > wanted + slack(walk, wanted) + CRUMB,
    };
    walk = { ...walk, last: { name: line.label, grams: Math.max(0, reading - cup.display_g) } };
    if (reading <= line.to + CRUMB) {
        return weighingOn(cupped(walk, now), told.at_ms);
    }
    // What was poured over before, or raised already, is another sum than the one that was made ahead.
    const row = cup.rescued || cup.off ? undefined : queued.over.find((one) => reading >= one.from_g && reading <= one.to_g);
    if (row !== undefined && row.lines.length === 0) {
        return weighingOn(cupped(walk, now), told.at_ms);
    }
    const at = cupped(at0(walk, { kind: 'rescue', batch: cup.batch, weighing: now.weighings }, told.at_ms), now);
    return row === undefined ? { ...shownAs(at, { rescue: null }), wants: WANTS } : shownAs(at, { rescue: rescueOf(walk, now, row) });
}

/** To the next line of this cup, or to what comes when so many are left. */
function weighingOn(walk: Walk, at: number): Walk | null {
    const cup = cupOf(walk);
    const here = walk.ahead.steps[walk.at];
    const next = walk.ahead.steps[walk.at + 1];
    if (here !== undefined && here.kind !== 'weigh' && here.kind !== 'tare') {
        return null;
    }
    // Before the first step sent ahead: the cup is left for another with what is queued, or is full.
    const left = here?.kind === 'weigh' ? here.left : here?.kind === 'tare' ? (next?.left ?? 0) : next?.kind === 'tare' ? 1 : 0;
    const on = here?.kind === 'tare' ? { ...walk, at: walk.at + 1 } : walk;
    return cup.queue.length > left
        ? looked(at0(on, { kind: 'weigh', batch: cup.batch, weighing: cup.weighings }, at), cup)
        : onward(on, at);
}

/** To the step after this one. */
function onward(walk: Walk, at: number): Walk | null {
    const next = walk.ahead.steps[walk.at + 1];
    if (next === undefined) {
        return null;
    }
    const there = at0({ ...walk, at: walk.at + 1 }, { kind: next.kind, batch: next.batch, weighing: 0 }, at);
    return looked(there, cupOf(there));
}

function ended(walk: Walk, kind: string, at: number): Walk | null {
    const index = walk.ahead.steps.findIndex((step) => step.kind === kind);
    const there = at0({ ...walk, at: index }, { kind, batch: 0, weighing: 0 }, at);
    return index < 0 ? null : looked(there, cupOf(there));
}

/** At a step; nothing of the one before is left on the screen. */
function at0(walk: Walk, step: { kind: string; batch: number; weighing: number }, at: number): Walk {
    const key = `${String(step.batch)}:${step.kind}${step.kind === 'weigh' || step.kind === 'rescue' ? `:${String(step.weighing)}` : ''}`;
    return { ...shownAs(walk, { step: { key, ...step }, step_since_ms: at, rescue: null }), wants: null };
}

function confirmed(walk: Walk, cup: Cup, at: number): Walk | null {
    const { view } = walk;
    switch (view.step.kind) {
        case 'gear':
        case 'premix':
        case 'mix':
        case 'degas':
            return onward(walk, at);
        case 'contacts':
            return view.checklist.every((item) => item.done) ? onward(walk, at) : null;
        case 'tare':
            // Whatever stands on the scale, with what is in it, is nought from here on.
            return weighingOn(cupped(walk, { ...cup, display_g: 0 }), at);
        case 'heat':
            return onward(cupped(walk, { ...cup, met_ms: cup.met_ms ?? at }), at);
        case 'fill':
            return onward(cupped(walk, { ...cup, filled_ms: cup.filled_ms ?? at }), at);
        default:
            return null;
    }
}

function ticked(view: RunView, told: Told, done: number): RunView['checklist'] {
    return view.checklist.map((item) =>
        item.id !== told.payload.item
            ? item
            : told.kind === 'begun'
              ? { ...item, begun_ms: item.begun_ms ?? done }
              : { ...item, done: true },
    );
}

/** What can be taken back is the last thing told here; what was told before it is not known to be the last any more. */
function withTakeBack(walk: Walk, told: Told): RunView {
    if (told.kind === 'met') {
        return walk.view;
    }
    const about = told.payload.step;
    const last = told.kind === 'weighed' ? walk.last : null;
    return {
        ...walk.view,
        take_back: {
            // Not one of the bench computer's numbers: it has none yet.
            of: -1 - walk.stands.length,
            kind: told.kind,
            step: typeof about === 'string' ? (about.split(':')[1] ?? null) : null,
            about: typeof about === 'string' ? about : null,
            name: last?.name ?? null,
            grams: last?.grams ?? null,
        },
    };
}
