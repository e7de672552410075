/** What the controls of Calls say. */
export const more = (what: string | number): string => `, ${String(what)} more`;
export const iHeard = (what: string | number): string => `I heard${String(what)}`;
export const undo = 'Undo';
