import { tablet } from './tablet.svelte';

/** A key of a screen: what is pressed, what it does, and the words under `?`. */
export type Key = { press: string; does: string; run: () => void };

/** A dialog that has just closed may keep the focus for a moment; nobody types into it any more. */
const typing = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) &&
    target.closest('dialog:not([open])') === null;

/** Space and Enter belong to a focused control; everything else is the screen's. */
const control = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement && target.closest('button, a, summary, [role="radio"]') !== null;

let screen: Key[] = [];
let half = $state<string | null>(null);

/** The key a jump began with; it waits for its second one as long as it takes, and the frame says so. */
export const begun = {
    get key(): string | null {
        return half;
    },
    forget(): void {
        half = null;
    },
};

/** Sets the screen's own keys; call what is returned when the screen goes. */
export function screenKeys(keys: Key[]): () => void {
    screen = keys;
    return () => {
        if (screen === keys) {
            screen = [];
        }
    };
}

export const currentKeys = (): Key[] => screen;

/** Handles a key press with the frame's keys and the screen's; two-key jumps begin with `g`. */
export function press(event: KeyboardEvent, frame: Key[]): void {
    // A pedal confirms, wherever the focus is: a foot knows of no field.
    const pedal =
        event.key === tablet.pedal && document.querySelector('dialog[open]') === null
            ? screen.find((key) => key.press === 'Space')
            : undefined;
    if (pedal !== undefined && !event.repeat) {
        event.preventDefault();
        pedal.run();
        return;
    }
    // What a control made use of itself is not pressed a second time.
    if (
        event.defaultPrevented ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        event.key === 'Shift' ||
        typing(event.target) ||
        document.querySelector('dialog[open]') !== null
    ) {
        return;
    }
    const key = event.key === ' ' ? 'Space' : event.key;
    if ((key === 'Space' || key === 'Enter') && control(event.target)) {
        return;
    }
    const keys = [...screen, ...frame];
    const named = (name: string): Key | undefined => keys.find((entry) => entry.press === name);
    const found = (half === null ? undefined : named(`${half} ${key}`)) ?? named(key);
    half = found === undefined && keys.some((entry) => entry.press.startsWith(`${key} `)) ? key : null;
    if (found !== undefined) {
        event.preventDefault();
        found.run();
    }
}
