/** What the controls of HandsPicker say. */
export const somebodyElse = 'Somebody else';
