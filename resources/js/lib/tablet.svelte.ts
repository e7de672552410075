/**
 * What is set for this tablet alone, where it stands: how loud it knocks, whether it speaks, what a foot or a knuckle presses, and whether
 * words are explained.
 */

const STORE = 'apalos.tablet';

/** A sheet of labels as it lies in the printer: mm, and how many there are. */
export type LabelSheet = { across: number; down: number; top_mm: number; left_mm: number; gap_x_mm: number; gap_y_mm: number };

export const labelSheet: LabelSheet = { across: 3, down: 8, top_mm: 0, left_mm: 0, gap_x_mm: 0, gap_y_mm: 0 };

type Set = {
    /** The sheets of labels it prints on. */ labels?: LabelSheet | undefined;
    loud: number;
    speaks: boolean;
    pedal: string | null;
    /** It prints on letter, and not on A4. */ letter?: boolean;
    /** Words of the craft are explained; by who is at it where nothing was said. */ explains?: boolean;
};

const usual: Set = { loud: 50, speaks: false, pedal: null };

const isSheet = (kept: unknown): kept is LabelSheet =>
    typeof kept === 'object' &&
    kept !== null &&
    Object.keys(labelSheet).every((key) => {
        const value = (kept as Record<string, unknown>)[key];
        return typeof value === 'number' && value >= 0 && value <= 60;
    });

function kept(): Set {
    try {
        const read: unknown = JSON.parse(localStorage.getItem(STORE) ?? '{}');
        const { loud, speaks, pedal, explains, letter, labels } = (typeof read === 'object' && read !== null ? read : {}) as Partial<Set>;
        return {
            loud: typeof loud === 'number' && loud >= 0 && loud <= 100 ? loud : usual.loud,
            speaks: speaks === true,
            pedal: typeof pedal === 'string' && pedal !== '' ? pedal : null,
            ...(typeof explains === 'boolean' ? { explains } : {}),
            ...(letter === true ? { letter } : {}),
            ...(isSheet(labels) ? { labels } : {}),
        };
    } catch {
        return usual;
    }
}

class Tablet {
    #set = $state<Set>(kept());

    get loud(): number {
        return this.#set.loud;
    }
    get speaks(): boolean {
        return this.#set.speaks;
    }
    get explains(): boolean | undefined {
        return this.#set.explains;
    }
    get letter(): boolean {
        return this.#set.letter === true;
    }
    get labels(): LabelSheet {
        return this.#set.labels ?? labelSheet;
    }
    get pedal(): string | null {
        return this.#set.pedal;
    }

    set(more: Partial<Set>): void {
        this.#set = { ...this.#set, ...more };
        try {
            localStorage.setItem(STORE, JSON.stringify(this.#set));
        } catch {
            // A browser that keeps nothing: it holds until the page is closed.
        }
    }
}

export const tablet = new Tablet();

/** Whether this key is a pedal’s: one that writes a letter or moves about a page of ours is none. */
export const mayBePedal = (key: string): boolean =>
    !['Shift', 'Control', 'Alt', 'Meta', 'AltGraph', 'CapsLock', 'Tab', 'Escape', 'Backspace', 'Dead', 'Unidentified', 'Process'].includes(
        key,
    ) &&
    (key.length > 1 || key === ' ');

/** Says it aloud, in the browser’s own voice, where this tablet speaks; what was being said is broken off. */
export function say(words: string): void {
    if (tablet.speaks && words.trim() !== '' && 'speechSynthesis' in window) {
        window.speechSynthesis.cancel();
        const spoken = new SpeechSynthesisUtterance(words);
        spoken.lang = 'en-GB';
        spoken.volume = Math.max(0.05, tablet.loud / 100);
        window.speechSynthesis.speak(spoken);
    }
}
