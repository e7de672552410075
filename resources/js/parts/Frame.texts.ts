/** What the controls of Frame say. */
export const toTheContent = 'To the content';
export const screens = 'Screens';
export const tools = 'Tools';
export const gMm = 'g · mm';
export const ozIn = 'oz · in';
export const changeUnits = ', change units';
export const soundOff = 'Sound off';
export const soundOn = 'Sound on';
export const lamplit = 'Lamplit';
export const daylight = 'Daylight';
export const changeLight = ', change light';
export const practice = 'Practice';
export const keysOfThisScreen = 'Keys of this screen';
export const keysHere = 'Keys here';
export const close = 'Close';
