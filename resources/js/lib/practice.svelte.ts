/** What has no address of its own: at a practice, the frame and the devices are those of the practice. */
const WITHOUT_ADDRESS = /^\/(frame|devices|typed|workshop|practice\/bench)/;

/** What one does at it, in words. */
export const acts: Record<string, string> = {
    stay: 'Stay',
    go: 'Go',
    other_tub: 'Take another tub',
    clear_pan: 'Look at the pan',
    other_ground: 'Lay it on something else',
    let_air: 'Let a little air in',
    clay: 'Press clay on the seam',
    touch: 'Touch it',
};

/** What is done where the scale stands, and not beside the screen. */
export const AT_THE_SCALE = ['other_tub', 'clear_pan'];

/** Which practice the page at hand is one of; null at the bench. */
class AtPractice {
    id = $state<number | null>(null);
    /** What the lid of the tub in the hand says, while something is weighed. */
    lid = $state<string | null>(null);
    /** What the hand over the scale can do besides pouring. */
    hand = $state<string[]>([]);
    does: (act: string) => void = () => undefined;

    headers(url: string): Record<string, string> {
        return this.id === null || !WITHOUT_ADDRESS.test(url) ? {} : { 'X-Practice': String(this.id) };
    }
}

export const practice = new AtPractice();
