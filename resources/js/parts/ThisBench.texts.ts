/** What the controls of ThisBench say. */
export const thisBench = 'This bench';
export const thisTabletSoundVoicePedalScale = 'This tablet: sound, voice, pedal, scale';
export const theLabelPrinter = 'The label printer';
