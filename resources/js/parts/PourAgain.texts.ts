/** What the controls of PourAgain say. */
export const scaleIt = 'Scale it';
export const pourThisAgain = (what: string | number): string => `Pour this again: ${String(what)}`;
export const pourThisAgainHeading = 'Pour this again';
