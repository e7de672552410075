/** What the controls of Exchange say. */
export const takeAFileIn = 'Take a file in';
