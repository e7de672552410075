/** What the controls of Cautions say. */
export const wearAndHaveReady = 'Wear and have ready';
