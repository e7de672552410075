/** What the controls of PracticeBar say. */
export const practice = 'Practice';
export const time = 'Time';
export const asItRuns = 'As it runs';
export const n1Min = '+1 min';
export const n10Min = '+10 min';
export const n1Day = '+1 day';
export const toWhatComesNext = (left: string | number): string => `To what comes next, ${String(left)}`;
export const yesEndIt = 'Yes, end it';
export const goOn = 'Go on';
export const endWhatItCameTo = 'End: what it came to';
