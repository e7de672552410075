/** What the controls of MixingCup say. */
export const theCupIsEmpty = 'The cup is empty';
export const inTheCup = (what: string | number): string => `In the cup: ${String(what)}`;
