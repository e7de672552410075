/**
 * Follows a build where the bench computer does not answer: by what it sent ahead of each operation's waits. What is felt with a finger,
 * and what is mixed, is reckoned when it is back.
 */
import type { BuildAheadView, BuildView } from '../types/server';
import type { Told } from './walk';

type Operation = BuildView['operations'][number];
export type BuildWalk = { view: BuildView; ahead: BuildAheadView; stands: Told[]; wants: string | null };

const over = (op: Operation | undefined): boolean => op !== undefined && (op.state === 'done' || op.state === 'left_out');
/** A window is called closing in its last fifth, ten minutes at most. */
const CLOSING_MS = 10 * 60_000;
const CLOSING_PART = 0.2;
const RANK: Record<string, number> = { under_way: 0, closing: 1, missed: 2, failed: 2, ready: 3, waits: 4 };

export function beginBuild(view: BuildView, ahead: BuildAheadView | null): BuildWalk | null {
    return ahead === null || ahead.last_fact_id !== view.last_fact_id ? null : { view, ahead, stands: [], wants: null };
}

export function walkedBuild(from: BuildWalk, told: Told[]): BuildWalk {
    const back = new Set(told.filter((one) => one.kind === 'undone').map((one) => String(one.payload.of_key ?? '')));
    let walk = from;
    for (const one of told.filter((fact) => fact.kind !== 'undone' && !back.has(fact.key))) {
        const next = after(walk, one);
        if (next === null) {
            return { ...walk, wants: 'What you told last is looked at when the bench computer answers again. It is kept.' };
        }
        walk = next;
    }
    // A window opens and shuts also while something is taken back.
    const last = told.at(-1)?.at_ms;
    return last === undefined ? walk : { ...walk, view: looked(walk.view, walk.ahead, last) };
}

function after(walk: BuildWalk, told: Told): BuildWalk | null {
    const { view } = walk;
    const at = typeof told.payload.done_ms === 'number' ? told.payload.done_ms : told.at_ms;
    const op = view.operations.find((one) => one.id === told.payload.op);
    const stands = [...walk.stands, told];
    const changed = (more: Partial<Operation>): BuildWalk => {
        const operations = view.operations.map((one) => (one.id === op?.id ? { ...one, ...more } : one));
        return {
            ...walk,
            stands,
            view: looked({ ...view, operations, begun: true, take_back: backOf(told, op, stands.length) }, walk.ahead, told.at_ms),
        };
    };
    switch (told.kind) {
        case 'begun':
            return op === undefined || over(op) || op.mixes ? null : changed({ state: 'under_way', started_ms: op.started_ms ?? at });
        case 'done':
            return op === undefined || over(op) || op.mixes
                ? null
                : changed({
                      state: 'done',
                      started_ms: op.started_ms ?? Math.max(walk.ahead.began_ms, Math.round(at - op.minutes * 60_000)),
                      ended_ms: at,
                  });
        case 'failed':
            return op === undefined || over(op) ? null : changed({ state: 'failed' });
        case 'fingered': {
            const finger = String(told.payload.finger ?? '');
            const felt = op === undefined ? null : changed({ touches: [...op.touches, { at_ms: at, finger, left_out: false }] });
            return felt === null ? null : { ...felt, wants: 'What was felt moves its window when the bench computer answers again.' };
        }
        case 'weighed':
            return op === undefined
                ? null
                : { ...changed({}), wants: 'When it will be dry is reckoned when the bench computer answers again.' };
        case 'noted': {
            const notes = [...view.notes, { at_ms: told.at_ms, text: String(told.payload.text ?? '') }];
            return {
                ...walk,
                stands,
                view: looked({ ...view, notes, take_back: backOf(told, undefined, stands.length) }, walk.ahead, told.at_ms),
            };
        }
        default:
            return null;
    }
}

const backOf = (told: Told, op: Operation | undefined, n: number): BuildView['take_back'] => ({
    of: -n,
    kind: told.kind,
    about: typeof told.payload.op === 'string' ? told.payload.op : null,
    name: op?.name ?? null,
});

/** What each operation waits for now, and what wants hands first. */
function looked(view: BuildView, ahead: BuildAheadView, now: number): BuildView {
    const operations = view.operations.map((op) => standingNow(op, view, ahead, now));
    const open = operations.filter((op) => !over(op));
    const order = (op: Operation): [number, number, number] => [RANK[op.state] ?? 9, op.shuts_ms ?? Infinity, op.opens_ms ?? Infinity];
    const first = [...open].sort((a, b) => {
        const [x, y] = [order(a), order(b)];
        const differs = [0, 1, 2].find((i) => x[i] !== y[i]);
        return differs === undefined ? 0 : (x[differs] as number) < (y[differs] as number) ? -1 : 1;
    })[0];
    return {
        ...view,
        operations,
        next: first?.id ?? null,
        through: open.length === 0,
        section: view.section.map((layer) => {
            const state = operations.find((op) => op.id === layer.id)?.state;
            return {
                ...layer,
                state: state === 'done' ? 'laid' : state === 'under_way' ? 'wet' : state === 'left_out' ? 'left_out' : 'planned',
            };
        }),
    };
}

function standingNow(op: Operation, view: BuildView, ahead: BuildAheadView, now: number): Operation {
    const waits = ahead.operations.find((one) => one.id === op.id)?.waits;
    if (over(op) || waits === undefined) {
        return op;
    }
    const other = (id: string): Operation | undefined => view.operations.find((one) => one.id === id);
    const waitsFor = waits.filter((wait) => !over(other(wait.op)));
    // What was known of it before stands, as far as it stood then: also when its weighings say that it is dry.
    let [opens, shuts, by] = [op.opens_ms ?? -Infinity, op.shuts_ms ?? Infinity, op.shut_by];
    for (const wait of waits) {
        const done = other(wait.op);
        const ended = done?.ended_ms ?? null;
        if (wait.over || !over(done) || ended === null) {
            continue;
        }
        opens = Math.max(opens, ended + wait.from_ms);
        if (wait.until_ms !== null && ended + wait.until_ms < shuts) {
            [shuts, by] = [ended + wait.until_ms, done?.name ?? wait.op];
        }
    }
    if (op.waits_for.length > 0 && waitsFor.length === 0) {
        for (const wait of waits.filter((one) => one.over)) {
            opens = Math.max(opens, wait.from_ms);
            if (wait.until_ms !== null && wait.until_ms < shuts) {
                [shuts, by] = [wait.until_ms, other(wait.op)?.name ?? wait.op];
            }
        }
    }
    const state =
        op.state === 'failed' || op.state === 'under_way'
            ? op.state
            : waitsFor.length > 0
              ? 'waits'
              : now > shuts
                ? 'missed'
                : now < opens
                  ? 'waits'
                  : shuts - now <= Math.min(CLOSING_MS, CLOSING_PART * (shuts - opens))
                    ? 'closing'
                    : 'ready';
    return {
        ...op,
        state,
        waits_for: waitsFor.map((wait) => other(wait.op)?.name ?? wait.op),
        opens_ms: waitsFor.length > 0 || opens === -Infinity ? null : opens,
        shuts_ms: shuts === Infinity ? null : shuts,
        shut_by: by,
    };
}
