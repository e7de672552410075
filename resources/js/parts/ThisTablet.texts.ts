/** What the controls of ThisTablet say. */
export const thisTablet = 'This tablet';
export const howLoudItKnocks = 'How loud it knocks';
export const sayAloudWhatAStepAsks = 'Say aloud what a step asks for, and what is called';
export const thisBrowserHasNoVoice = 'This browser has no voice';
export const explainWordsOfTheCraftWhere = 'Explain words of the craft where one presses them';
export const printOnLetterPaperNotOn = 'Print on letter paper, not on A4';
export const pressThePedalNow = 'Press the pedal now …';
export const setAPedal = 'Set a pedal';
export const setAnother = 'Set another';
export const none = 'None';
export const close = 'Close';
