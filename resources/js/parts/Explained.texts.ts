/** What the controls of Explained say. */
export const close = 'Close';
