/** What the controls of TakingIn say. */
export const takeItOutAgain = 'Take it out again';
export const howMuchOfTheFileIs = 'How much of the file is in';
export const stop = 'Stop';
