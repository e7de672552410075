import { afterEach, describe, expect, test } from 'vitest';
import { pressing } from '../../resources/js/lib/press';

const status = (answer: { status: number }): number => answer.status;

describe('one press, one key', () => {
    afterEach(() => document.documentElement.removeAttribute('data-sending'));

    test('a finger that was quick presses the same, and what is pressed after the answer is another', async () => {
        const keys: string[] = [];
        const answers: (() => void)[] = [];
        const send = (key: string): Promise<{ status: number }> => {
            keys.push(key);
            return new Promise((done) => {
                answers.push(() => {
                    done({ status: 200 });
                });
            });
        };
        const first = pressing('post', '/jobs', { name: 'Owl' }, send, status);
        expect(document.documentElement.hasAttribute('data-sending')).toBe(true);
        const second = pressing('post', '/jobs', { name: 'Owl' }, send, status);
        answers.forEach((answer) => {
            answer();
        });
        await Promise.all([first, second]);
        expect(keys[0]).toMatch(/^[0-9a-f]{24}$/);
        expect(keys[1]).toBe(keys[0]);
        await pressing('post', '/jobs', { name: 'Owl' }, (key) => Promise.resolve({ status: keys.push(key) && 302 }), status);
        expect(keys[2]).not.toBe(keys[0]);
    });

    test('where no answer came the same press keeps its key; a refusal lets go of it', async () => {
        const keys: string[] = [];
        const answers = [503, 422, 200];
        for (const [i, said] of [...answers.entries()]) {
            await pressing('post', '/rack', { name: 'Block' }, (key) => Promise.resolve({ status: keys.push(key) && said }), status);
            expect(keys).toHaveLength(i + 1);
        }
        expect(keys[1]).toBe(keys[0]);
        expect(keys[2]).not.toBe(keys[1]);
    });

    test('a lost connection is thrown on, and the same press goes out again with its key', async () => {
        const keys: string[] = [];
        const lost = (key: string): Promise<{ status: number }> => {
            keys.push(key);
            return Promise.reject(new Error('no network'));
        };
        await expect(pressing('post', '/trials', { name: 'Air' }, lost, status)).rejects.toThrow('no network');
        expect(document.documentElement.hasAttribute('data-sending')).toBe(false);
        await expect(pressing('post', '/trials', { name: 'Air' }, lost, status)).rejects.toThrow('no network');
        expect(keys[1]).toBe(keys[0]);
        await expect(pressing('post', '/trials', { name: 'Water' }, lost, status)).rejects.toThrow('no network');
        expect(keys[2]).not.toBe(keys[0]);
    });

    test('a photo is told by its name, length and date', async () => {
        const keys: string[] = [];
        const form = (name: string): FormData => {
            const data = new FormData();
            data.append('photo', new File(['x'], name, { lastModified: 7 }));
            return data;
        };
        const lost = (key: string): Promise<{ status: number }> => Promise.resolve({ status: keys.push(key) && 0 });
        for (const name of ['brow.jpg', 'brow.jpg', 'ear.jpg']) {
            await pressing('post', '/swatches', form(name), lost, status);
        }
        expect(keys[1]).toBe(keys[0]);
        expect(keys[2]).not.toBe(keys[0]);
    });
});
