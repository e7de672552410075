/** What the controls of Point say. */
export const orWhatStandsOnIt = 'Or what stands on it';
export const takeIt = 'Take it';
export const close = 'Close';
