/** What the controls of Lines say. */
export const add = 'add';
export const displayReads = 'display reads';
