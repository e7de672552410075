/** What the controls of WhoseHands say. */
export const whoseHands = 'Whose hands?';
export const handOver = (what: string | number): string => `${String(what)}, hand over`;
export const whoWorksHere = 'Who works here?';
export const people = 'People';
export const nobodyJustNow = 'Nobody just now';
export const signOut = 'Sign out';
export const close = 'Close';
