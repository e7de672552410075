/** What the controls of Clash say. */
export const changedOnAnotherScreen = 'Changed on another screen';
export const here = 'here';
export const there = 'there';
export const takeWhatStandsThere = 'Take what stands there';
export const keepWhatStandsHere = 'Keep what stands here';
