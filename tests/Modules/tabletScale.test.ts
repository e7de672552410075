import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { StandInPort } from '../../resources/js/lib/standInPort';
import { tabletScale, type Port } from '../../resources/js/lib/tabletScale.svelte';

const ways = [
    {
        id: 'marked',
        name: 'a mark before the figure',
        line: '^(?:ST|US|OL)[,; ]+(?<weight>[-+]?\\s*\\d+(?:[.,]\\d+)?)\\s*,?\\s*(?<unit>kg|g|oz|lb|ct)\\b',
        rests: '^ST',
        moves: '^US',
    },
];

beforeEach(() => {
    vi.useFakeTimers({ now: 1_700_000_000_000, toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
    localStorage.clear();
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ lines: ways }), { status: 200 })));
});
afterEach(async () => {
    await tabletScale.forget();
    vi.useRealTimers();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
});

/** So long, with what came over the wire meanwhile read. */
const after = async (ms: number): Promise<void> => {
    for (let at = 0; at < ms; at += 50) {
        await vi.advanceTimersByTimeAsync(Math.min(50, ms - at));
        await new Promise((read) => setImmediate(read));
    }
};

describe('a scale that hangs at this tablet', () => {
    test('its lines are known by themselves, and what it shows goes to the bench computer as it rests', async () => {
        const port = new StandInPort();
        await tabletScale.pretend(port);
        await after(1200);
        expect([tabletScale.on, tabletScale.reading?.grams, tabletScale.reading?.rests]).toEqual([true, 0, true]);
        port.put(123.4);
        await after(500);
        expect([tabletScale.reading?.grams, tabletScale.reading?.rests]).toEqual([123.4, false]);
        await after(1000);
        expect(tabletScale.reading?.rests).toBe(true);
        const said = tabletScale.said();
        expect(said?.line).toContain('123.4');
        port.put(-23.4);
        await after(1000);
        expect([tabletScale.said()?.scale, tabletScale.reading?.grams]).toEqual([said?.scale, 100]);
    });

    test('tared it goes to nought, and says so only then', async () => {
        const port = new StandInPort();
        await tabletScale.pretend(port);
        port.put(80);
        await after(1500);
        const tared = tabletScale.tare();
        await after(3500);
        expect([await tared, tabletScale.reading?.grams, tabletScale.trouble]).toEqual([true, 0, null]);
        port.put(5);
        await after(1500);
        expect(tabletScale.reading?.grams).toBe(5);
    });

    test('one that does not go to nought is asked to be tared by its own key', async () => {
        const port = new StandInPort();
        await tabletScale.pretend(port);
        port.put(80);
        await after(1500);
        port.writable = new WritableStream();
        const tared = tabletScale.tare();
        await after(3500);
        expect(await tared).toBe(false);
        expect(tabletScale.trouble).toContain('its own tare key');
    });

    test('lines nobody knows wait for somebody to say which figure is the weight; from then on it is one', async () => {
        const port = new StandInPort((grams) => `N1 W ${grams.toFixed(2)} X`);
        await tabletScale.pretend(port);
        port.put(40);
        await after(1500);
        expect([tabletScale.reading, tabletScale.said(), tabletScale.lines.at(-1)]).toEqual([null, null, 'N1 W 40.00 X']);
        tabletScale.point(1, 'g');
        await after(1500);
        expect([tabletScale.reading?.grams, tabletScale.reading?.rests, tabletScale.speaks]).toEqual([40, true, true]);
        port.put(1);
        await after(300);
        expect(tabletScale.reading?.rests).toBe(false);
    });

    test('silent for four seconds it says nothing any more', async () => {
        const port = new StandInPort();
        await tabletScale.pretend(port);
        await after(1500);
        expect(tabletScale.speaks).toBe(true);
        await port.close();
        await after(5000);
        expect([tabletScale.speaks, tabletScale.said()]).toEqual([false, null]);
    });

    test('pulled out it is gone, and that is said; another program’s port is said as well', async () => {
        let pull: () => void = () => undefined;
        const wire: Port = {
            open: () => Promise.resolve(),
            close: () => Promise.resolve(),
            readable: new ReadableStream({ start: (out) => (pull = (): void => out.error(new Error('gone'))) }),
            writable: null,
        };
        await tabletScale.pretend(wire);
        pull();
        await after(10);
        expect([tabletScale.on, tabletScale.trouble]).toEqual([false, expect.stringContaining('is gone')]);
        await tabletScale.pretend({ ...wire, open: () => Promise.reject(new Error('busy')) });
        expect([tabletScale.on, tabletScale.trouble]).toEqual([false, expect.stringContaining('another program')]);
    });

    test('that of before is opened by itself, under the name it had; forgotten it is not', async () => {
        const port = new StandInPort();
        await tabletScale.pretend(port);
        await after(1200);
        const name = tabletScale.said()?.scale;
        await tabletScale.stop();
        const again = new StandInPort();
        vi.stubGlobal('navigator', {
            serial: { getPorts: () => Promise.resolve([again]), requestPort: () => Promise.reject(new Error()) },
        });
        expect(tabletScale.possible).toBe(true);
        await tabletScale.begin();
        await after(1200);
        expect([tabletScale.on, tabletScale.said()?.scale]).toEqual([true, name]);
        await tabletScale.forget();
        await tabletScale.begin();
        expect(tabletScale.on).toBe(false);
        await tabletScale.pick();
        expect(tabletScale.trouble).toContain('No port was chosen');
    });
});
