/** What the controls of LabelPrinter say. */
export const theLabelPrinter = 'The label printer';
export const whatWaits = 'What waits';
export const tryAgain = 'Try again';
export const itCameOut = 'It came out';
export const printItAgain = 'Print it again';
export const takeItOff = 'Take it off';
export const theRollInIt = 'The roll in it';
export const width = 'Width';
export const height = 'Height';
export const dotsAMm = 'Dots a mm';
export const keepTheRoll = 'Keep the roll';
export const whatCameOutOfTheStand = 'What came out of the stand-in';
export const takeItsPaperOut = 'Take its paper out';
export const putARollIn = 'Put a roll in';
export const labelThatCameOut = (what: string | number): string => `Label ${String(what)} that came out`;
export const close = 'Close';
