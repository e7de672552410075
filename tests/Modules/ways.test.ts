import { describe, expect, it } from 'vitest';
import { bestAt, ordered, type Way } from '../../resources/js/lib/ways';

const way = (id: string, money: number, done: number, chance: number, hands: number, late = 0): Way =>
    ({ id, per_piece: money.toFixed(2), done_ms: done, chance, hands_min: hands, late_min: late }) as Way;
const cheap = way('cheap', 5, 900, 0.7, 300);
const soon = way('soon', 9, 100, 0.6, 200);
const sure = way('sure', 8, 800, 0.95, 400);
const ids = (ways: Way[]): string[] => ways.map((one) => one.id);

describe('ways beside each other', () => {
    it.each([
        [{ sooner: 0, cheaper: 10, surer: 0, easier: 0 }, 'cheap'],
        [{ sooner: 10, cheaper: 0, surer: 0, easier: 0 }, 'soon'],
        [{ sooner: 0, cheaper: 0, surer: 10, easier: 0 }, 'sure'],
        [{ sooner: 0, cheaper: 0, surer: 0, easier: 10 }, 'soon'],
    ])('%o puts %s first', (wishes, first) => {
        expect(ids(ordered([sure, soon, cheap], wishes))[0]).toBe(first);
    });

    it('keep their order where nothing matters, and what is late comes behind', () => {
        expect(ids(ordered([sure, soon, cheap], { sooner: 0, cheaper: 0, surer: 0, easier: 0 }))).toEqual(['sure', 'soon', 'cheap']);
        const late = way('late', 1, 100, 0.99, 10, 60);
        expect(ids(ordered([late, cheap], { sooner: 1, cheaper: 1, surer: 0, easier: 0 }))).toEqual(['cheap', 'late']);
    });

    it('each says what it is best at, and each thing is said of one first', () => {
        expect(bestAt([cheap, soon, sure])).toEqual(['money', 'done', 'chance']);
        expect(bestAt([cheap])).toEqual(['money']);
        expect(bestAt([])).toEqual([]);
    });
});
