/** What the controls of Dryness say. */
export const itWeighsNow = 'It weighs now';
export const writeItDown = 'Write it down';
export const weighings = 'Weighings';
