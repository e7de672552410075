/** What the controls of PrintLabels say. */
export const whatWaits = 'What waits';
