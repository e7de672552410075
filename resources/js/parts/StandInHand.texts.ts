/** What the controls of StandInHand say. */
export const standInScale = 'Stand-in scale';
export const holdToPour = 'Hold to pour';
export const howFast = 'How fast';
export const howFastItPours = 'How fast it pours';
export const toTheLine = 'To the line';
export const itsTareKey = 'Its tare key';
export const clearThePan = 'Clear the pan';
