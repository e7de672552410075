/** What the controls of RecipeEditor say. */
export const base = 'Base';
export const chooseABase = 'choose a base';
export const earlier = (what: string | number): string => `${String(what)}: earlier`;
export const earlierWithin = 'earlier';
export const takeOut = (what: string | number): string => `Take ${String(what)} out`;
export const takeOutWithin = 'take out';
export const howMuch = 'How much';
export const countedIn = 'counted in';
export const into = 'into';
export const mixedCup = 'mixed cup';
export const stirSomethingIn = 'Stir something in';
export const pigmentSolvent = 'pigment, solvent …';
export const softenerPigmentFlock = 'softener, pigment, flock …';
export const stirItIn = 'Stir it in';
