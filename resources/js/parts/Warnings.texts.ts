/** What the controls of Warnings say. */
export const mindThis = 'Mind this';
