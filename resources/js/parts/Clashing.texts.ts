/** What the controls of Clashing say. */
export const toldWhileCutOffIsIt = 'Told while cut off: is it so?';
export const itWasSoAllTheSame = 'It was so all the same';
export const itWasNotSo = 'It was not so';
export const toldHereAndElsewhere = 'Told here and elsewhere';
export const toldHereWhileCutOffAnd = 'Told here while cut off, and otherwise elsewhere';
export const here = 'Here';
export const onTheBenchComputer = 'On the bench computer';
export const whatStandsThereIsRight = 'What stands there is right';
export const takeWhatWasToldHereInstead = 'Take what was told here instead';
