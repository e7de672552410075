import { tablet } from './tablet.svelte';

let context: AudioContext | null = null;

/** Three soft knocks, as loud as this tablet is set to; silent where the browser has no sound or has not been touched yet. */
export function knock(times = 3): void {
    const gain = tablet.loud / 100;
    if (gain < 0.001) {
        return;
    }
    try {
        context ??= new AudioContext();
        void context.resume();
        for (let i = 0; i < times; i++) {
            const at = context.currentTime + i * 0.32;
            const tone = context.createOscillator();
            const loud = context.createGain();
            tone.type = 'triangle';
            tone.frequency.setValueAtTime(i === times - 1 ? 660 : 520, at);
            loud.gain.setValueAtTime(0.0001, at);
            loud.gain.exponentialRampToValueAtTime(gain, at + 0.02);
            loud.gain.exponentialRampToValueAtTime(0.0001, at + 0.26);
            tone.connect(loud).connect(context.destination);
            tone.start(at);
            tone.stop(at + 0.3);
        }
    } catch {
        // No sound here: the words on the screen still say it.
    }
}
