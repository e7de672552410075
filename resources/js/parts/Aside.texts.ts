/** What the controls of Aside say. */
export const notWrittenDown = 'Not written down';
export const tryAgain = 'Try again';
export const leaveItOut = 'Leave it out';
