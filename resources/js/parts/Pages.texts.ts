/** What the controls of Pages say. */
export const pages = 'Pages';
