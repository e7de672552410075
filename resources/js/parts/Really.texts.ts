/** What the controls of Really say. */
export const isItReallySo = 'Is it really so?';
export const aSlipWriteNothingDown = 'A slip: write nothing down';
export const itWas = (name: string | number): string => `It was “${String(name)}”`;
export const itWasThen = 'It was then';
export const itIsReallySo = 'It is really so';
