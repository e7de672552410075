/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Away
export const thisPageIsNotOnThis = 'This page is not on this tablet';
export const whatOpensWithoutIt = 'What opens without it';

// Damaged
export const putItOffTheBench = 'Put it off the bench';
export const toTheBench = 'To the bench';

// Lost
export const allJobs = 'All jobs';
export const theLog = 'The log';
