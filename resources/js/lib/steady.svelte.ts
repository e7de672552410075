/** A step that has just appeared takes no press from the hand that brought it: two taps within a moment are one press. */
export const STEADY_MS = 700;

export class Steady {
    /** Nothing is taken just now. */
    resting = $state(false);
    #step: string | null = null;
    #timer: ReturnType<typeof setTimeout> | undefined;

    /** Says which step stands on the screen; a new one rests for a moment. */
    stands(step: string): void {
        if (step === this.#step) {
            return;
        }
        const isFirst = this.#step === null;
        this.#step = step;
        if (isFirst) {
            return;
        }
        this.resting = true;
        clearTimeout(this.#timer);
        this.#timer = setTimeout(() => (this.resting = false), STEADY_MS);
    }

    /** Does it, unless the step has only just appeared. */
    press(act: () => void): void {
        if (!this.resting) {
            act();
        }
    }

    stop(): void {
        clearTimeout(this.#timer);
    }
}
