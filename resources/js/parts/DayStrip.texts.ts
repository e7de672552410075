/** What the controls of DayStrip say. */
export const apalosToTheBench = 'Apalos, to the bench';
export const apalos = 'Apalos';
export const day = 'Day';
export const showTheDay = 'Show the day';
export const fold = 'Fold';
export const backToNow = 'back to now';
export const dayStripArrowKeysLookAhead = 'Day strip. Arrow keys look ahead and back.';
export const more = (more: string | number): string => `+ ${String(more)} more`;
