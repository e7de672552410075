import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

type Tone = { at: number; until: number; pitch: number; loudest: number };
let tones: Tone[] = [];
let resumed = 0;

/** A loudspeaker that writes down what it is told. */
class Speaker {
    currentTime = 10;
    destination = {};
    resume = (): Promise<void> => {
        resumed++;
        return Promise.resolve();
    };
    createOscillator = (): unknown => {
        const tone: Tone = { at: 0, until: 0, pitch: 0, loudest: 0 };
        tones.push(tone);
        return {
            type: '',
            frequency: { setValueAtTime: (pitch: number) => (tone.pitch = pitch) },
            connect: (next: unknown) => next,
            start: (at: number) => (tone.at = at),
            stop: (at: number) => (tone.until = at),
        };
    };
    createGain = (): unknown => {
        const tone = tones.at(-1);
        return {
            gain: {
                setValueAtTime: () => undefined,
                exponentialRampToValueAtTime: (loud: number) => tone !== undefined && (tone.loudest = Math.max(tone.loudest, loud)),
            },
            connect: (next: unknown) => next,
        };
    };
}

/** A tablet that is as loud, and has made no sound yet. */
async function tablet(loud: number): Promise<(times?: number) => void> {
    vi.resetModules();
    vi.doMock('../../resources/js/lib/tablet.svelte', () => ({ tablet: { loud } }));
    return (await import('../../resources/js/lib/sound')).knock;
}

beforeEach(() => {
    tones = [];
    resumed = 0;
    vi.stubGlobal('AudioContext', Speaker);
});
afterEach(() => {
    vi.doUnmock('../../resources/js/lib/tablet.svelte');
    vi.unstubAllGlobals();
});

describe('three soft knocks', () => {
    test('come one after the other, the last of them higher, and none lies on another', async () => {
        (await tablet(40))();
        expect(tones.map((tone) => tone.pitch)).toEqual([520, 520, 660]);
        tones.slice(1).forEach((tone, i) => expect(tone.at).toBeGreaterThan(tones[i]?.until ?? 0));
    });

    test('are as loud as this tablet is set to, and none at all where it is silent', async () => {
        (await tablet(40))(1);
        expect(tones[0]?.loudest).toBeCloseTo(0.4);
        tones = [];
        (await tablet(0))();
        expect(tones).toEqual([]);
    });

    test('wake a loudspeaker the browser has put to sleep, each time', async () => {
        const knock = await tablet(40);
        knock(1);
        knock(1);
        expect(resumed).toBe(2);
    });

    test('are not missed where there is no sound: the words on the screen say it', async () => {
        vi.stubGlobal('AudioContext', undefined);
        expect(await tablet(40)).not.toThrow();
    });
});
