/** What the controls of OnPaper say. */
export const pdf = (words: string | number): string => `${String(words)}, PDF`;
export const asAPage = 'as a page';
export const toPrint = (words: string | number): string => `to print: ${String(words)}`;
