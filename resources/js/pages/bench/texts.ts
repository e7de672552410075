/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Bench
export const bench = 'Bench';
export const toBeRead = 'To be read';
export const curingOn = 'Curing on';
export const startANewJob = 'Start a new job';
