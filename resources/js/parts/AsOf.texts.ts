/** What the controls of AsOf say. */
export const itWasAt = 'It was at';
export const itIsNow = 'It is now';
