/** What the controls of LetIn say. */
export const countersign = 'Countersign';
export const onceMore = 'Once more';
export const whoseHands = 'Whose hands?';
export const passphrase = 'Passphrase';
export const goOn = 'Go on';
export const leaveIt = 'Leave it';
