import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { begun, currentKeys, type Key, press, screenKeys } from '../../resources/js/lib/keys.svelte';

const did: string[] = [];
const key = (name: string): Key => ({ press: name, does: name, run: () => did.push(name) });
const frame = [key('g j'), key('g b'), key('?'), key('m')];

/** Presses a key on an element; true where the page kept it for itself. */
function hit(pressed: string, on: Element = document.body, more: KeyboardEventInit = {}): boolean {
    const event = new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true, ...more });
    on.addEventListener('keydown', (heard) => press(heard as KeyboardEvent, frame), { once: true });
    on.dispatchEvent(event);
    return event.defaultPrevented;
}
const put = (html: string): Element => {
    document.body.innerHTML = html;
    return document.body.querySelector('.it') ?? document.body;
};

let gone: () => void;
beforeEach(() => {
    did.length = 0;
    begun.forget();
    put('');
    gone = screenKeys([key('Space'), key('n'), key('Enter')]);
});
afterEach(() => gone());

describe('the keys of a screen and of the frame', () => {
    test('both are heard, and kept from the page', () => {
        expect(hit(' ')).toBe(true);
        expect(hit('n')).toBe(true);
        expect(hit('m')).toBe(true);
        expect(did).toEqual(['Space', 'n', 'm']);
    });

    test('what has no meaning is left to the page', () => {
        expect(hit('x')).toBe(false);
        expect(did).toEqual([]);
    });

    test('a screen that goes takes its keys with it, but not those of the one that came after', () => {
        const next = screenKeys([key('p')]);
        gone();
        expect(currentKeys().map((k) => k.press)).toEqual(['p']);
        next();
        expect(currentKeys()).toEqual([]);
    });
});

describe('two keys for a jump', () => {
    test('the first waits as long as it takes, and says so', () => {
        hit('g');
        expect([begun.key, did]).toEqual(['g', []]);
        hit('j');
        expect([begun.key, did]).toEqual([null, ['g j']]);
    });

    test('a second key that leads nowhere ends it; one that means something by itself does that', () => {
        hit('g');
        hit('x');
        expect([begun.key, did]).toEqual([null, []]);
        hit('g');
        hit('m');
        expect([begun.key, did]).toEqual([null, ['m']]);
    });
});

describe('hands that do something else', () => {
    test.each([
        '<input class="it">',
        '<textarea class="it"></textarea>',
        '<select class="it"></select>',
        '<dialog open><input class="it"></dialog>',
    ])('typing in %s', (html) => {
        hit('n', put(html));
        hit(' ', document.querySelector('.it') ?? document.body);
        expect(did).toEqual([]);
    });

    test('an open dialog has the keys to itself; one that has closed does not keep them', () => {
        put('<dialog open></dialog>');
        hit('n');
        expect(did).toEqual([]);
        hit('n', put('<dialog><input class="it"></dialog>'));
        expect(did).toEqual(['n']);
    });

    test.each(['<button class="it">', '<a class="it" href="/">', '<details><summary class="it">', '<span class="it" role="radio">'])(
        'Space and Enter belong to %s, letters do not',
        (html) => {
            const it = put(html);
            hit(' ', it);
            hit('Enter', it);
            expect(did).toEqual([]);
            hit('n', it);
            expect(did).toEqual(['n']);
        },
    );

    test.each([{ ctrlKey: true }, { metaKey: true }, { altKey: true }])('a shortcut of the browser: %j', (more) => {
        expect(hit('n', document.body, more)).toBe(false);
        expect(did).toEqual([]);
    });

    test('what a control made use of is not pressed a second time', () => {
        const heard = vi.fn();
        const event = new KeyboardEvent('keydown', { key: 'n', cancelable: true });
        event.preventDefault();
        press(event, [{ press: 'n', does: '', run: heard }]);
        expect(heard).not.toHaveBeenCalled();
    });
});
