import { ask } from './api';
import type { Point } from './pieceview';
import type { ModelFileView, StudyView } from '../types/server';

type Asked = StudyView['asked'];

const PAUSE_MS = 320;

const LOOK_MS = 300;

/** The one study a screen is about: what is asked of the piece, and the last answer there is. Questions go out when the hand rests. */
export class LiveStudy {
    study = $state() as StudyView;
    asked = $state() as Asked;
    /** Of the last study that was answered; it stands until the next one is. */
    answer = $state<StudyView['answer']>(null);
    answered = $state<number | null>(null);
    /** What was found when it was left to find the best; it stays to be taken. */
    found = $state<Pick<NonNullable<StudyView['answer']>, 'pulls' | 'pours'>>({ pulls: [], pours: [] });
    trouble = $state<string | null>(null);
    readonly #file: ModelFileView;
    #later: ReturnType<typeof setTimeout> | undefined;
    #looking: ReturnType<typeof setTimeout> | undefined;
    #turn = 0;

    constructor(file: ModelFileView, study: StudyView, first: StudyView | null) {
        this.#file = file;
        if (first?.answer) {
            this.found = { pulls: first.answer.pulls, pours: first.answer.pours };
        }
        this.take(study);
        this.asked = { ...study.asked };
    }

    get busy(): boolean {
        return this.study.state === 'waiting' || this.study.state === 'running' || this.#later !== undefined;
    }

    take(study: StudyView): void {
        this.study = study;
        if (study.state === 'done' && study.answer !== null) {
            this.answer = study.answer;
            this.found = {
                pulls: study.asked.pull === null ? study.answer.pulls : this.found.pulls,
                pours: study.asked.pour === null ? study.answer.pours : this.found.pours,
            };
            this.answered = study.id;
        }
        this.trouble =
            study.state === 'refused' ? study.wrong : study.state === 'cancelled' ? 'Stopped. Change something, or ask again.' : null;
        clearTimeout(this.#looking);
        if (study.state === 'waiting' || study.state === 'running') {
            this.#looking = setTimeout(() => void this.#look(study.id), LOOK_MS);
        }
    }

    /** Asks it otherwise. A pull or a pour that was found by itself is written down as soon as another thing is changed. */
    change(what: Partial<Asked>): void {
        this.asked = {
            ...this.asked,
            pull: this.asked.pull ?? written(this.answer?.pull.axis),
            pour: this.asked.pour ?? written(this.answer?.pours[0]?.up),
            ...what,
        };
        clearTimeout(this.#later);
        this.#later = setTimeout(() => void this.ask(), PAUSE_MS);
    }

    async ask(): Promise<void> {
        clearTimeout(this.#later);
        this.#later = undefined;
        const mine = ++this.#turn;
        const said = Object.fromEntries(
            Object.entries($state.snapshot(this.asked)).filter(([, value]) => value !== null && value !== false),
        );
        const answer = await ask<StudyView>('POST', `/study/${String(this.#file.id)}/ask`, said);
        if (mine !== this.#turn) {
            return;
        }
        if (answer.ok) {
            this.take(answer.data);
        } else if (answer.status === 503) {
            this.#later = setTimeout(() => void this.ask(), 1500);
        } else {
            this.trouble = answer.wrong.message;
        }
    }

    async stop(): Promise<void> {
        const answer = await ask<StudyView>('POST', `/studies/${String(this.study.id)}/stop`);
        if (answer.ok) {
            this.take(answer.data);
        }
    }

    close(): void {
        clearTimeout(this.#later);
        clearTimeout(this.#looking);
    }

    async #look(id: number): Promise<void> {
        const answer = await ask<StudyView>('GET', `/studies/${String(id)}/state`);
        if (id !== this.study.id) {
            return;
        }
        if (answer.ok) {
            this.take(answer.data);
        } else {
            this.#looking = setTimeout(() => void this.#look(id), 4 * LOOK_MS);
        }
    }
}

export function written(way: readonly number[] | undefined): string | null {
    return way === undefined ? null : way.map((part) => String(Math.round(part * 1e5) / 1e5)).join(',');
}

export function read(text: string | null): Point | null {
    const parts = (text ?? '').split(',').map(Number);
    const [x, y, z] = parts;
    return x === undefined || y === undefined || z === undefined || parts.some((part) => Number.isNaN(part)) ? null : [x, y, z];
}

export const axes: { way: Point; side: string; usual: string }[] = [
    { way: [0, 0, 1], side: '+z', usual: 'top' },
    { way: [0, 0, -1], side: '-z', usual: 'bottom' },
    { way: [0, 1, 0], side: '+y', usual: 'back' },
    { way: [0, -1, 0], side: '-y', usual: 'front' },
    { way: [1, 0, 0], side: '+x', usual: 'right' },
    { way: [-1, 0, 0], side: '-x', usual: 'left' },
];

/** The axis a way lies nearest to, and how far it leans from there to each side, in degrees. */
export function leaning(way: Point): { axis: number; first: number; second: number } {
    let axis = 0;
    axes.forEach(({ way: one }, i) => {
        if (dot(one, way) > dot(axes[axis]?.way ?? [0, 0, 1], way) + 1e-9) {
            axis = i;
        }
    });
    const [u, v] = across(axes[axis]?.way ?? [0, 0, 1]);
    const along = Math.max(1e-6, dot(axes[axis]?.way ?? [0, 0, 1], way));
    const degrees = (share: number): number => Math.round((Math.atan2(share, along) * 180) / Math.PI);
    return { axis, first: degrees(dot(u, way)), second: degrees(dot(v, way)) };
}

export function leant(axis: number, first: number, second: number): Point {
    const one = axes[axis]?.way ?? [0, 0, 1];
    const [u, v] = across(one);
    const [a, b] = [Math.tan((first * Math.PI) / 180), Math.tan((second * Math.PI) / 180)];
    const out: Point = [one[0] + a * u[0] + b * v[0], one[1] + a * u[1] + b * v[1], one[2] + a * u[2] + b * v[2]];
    const long = Math.hypot(...out);
    return [out[0] / long, out[1] / long, out[2] / long];
}

/** The two ways a piece can lean from an axis: always along the other two axes of the model. */
export function across(axis: Point): [Point, Point] {
    return Math.abs(axis[2]) > 0.5
        ? [
              [1, 0, 0],
              [0, 1, 0],
          ]
        : Math.abs(axis[1]) > 0.5
          ? [
                [1, 0, 0],
                [0, 0, 1],
            ]
          : [
                [0, 1, 0],
                [0, 0, 1],
            ];
}

const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
