import { bench } from './bench.svelte';
import { tablet } from './tablet.svelte';

/** What a sheet of paper is asked to be: its size, the units it counts in, and whatever `more` it takes. */
export const paperAsked = (more = ''): string =>
    `size=${tablet.letter ? 'letter' : 'a4'}&units=${bench.units}${more === '' ? '' : `&${more}`}`;
