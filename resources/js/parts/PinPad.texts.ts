/** What the controls of PinPad say. */
export const pinOf = 'PIN of';
export const takeTheLastFigureBack = 'Take the last figure back';
export const go = 'Go';
