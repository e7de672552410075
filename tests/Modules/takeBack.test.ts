import { expect, test } from 'vitest';
import { takesBack } from '../../resources/js/lib/takeBack';
import type { RunView } from '../../resources/js/types/server';

const run = (take_back: RunView['take_back'], division_g = 0.1): RunView => ({ take_back, division_g }) as RunView;

test.each([
    [{ kind: 'weighed', grams: 141.7, name: 'Softener' }, 'metric', '141.7 g Softener'],
    [{ kind: 'weighed', grams: 28.349523125, name: 'Part A' }, 'imperial', '1 oz Part A'],
    [{ kind: 'graded', grams: null, name: null }, 'metric', 'the grading'],
    [{ kind: 'counted', grams: null, name: null }, 'metric', 'where the display counts from'],
    [{ kind: 'something-new', grams: null, name: null }, 'metric', 'the last thing'],
    [null, 'metric', ''],
] as const)('%j in %s', (last, units, words) => {
    expect(takesBack(run(last as RunView['take_back']), units).replace(/\.0+ /, ' ')).toBe(words);
});
