/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Mould
export const whichMould = 'Which mould?';
export const thePiece = 'The piece';
export const length = 'Length';
export const width = 'Width';
export const height = 'Height';
export const theOriginalMayBeLost = 'The original may be lost';
export const theOriginalIsOf = 'The original is of';
export const whatIsCastInIt = 'What is cast in it';
export const castsWanted = 'Casts wanted';
export const asHotAs = 'As hot as';
export const anHourCosts = 'An hour costs';
export const kindsBestFirst = 'Kinds, best first';
export const ofWhichRubberByItsTear = 'Of which rubber, by its tear and hardness';
export const rubber = 'rubber';
export const castsEach = 'casts each';
export const moulds = 'moulds';
export const less = 'Less';
export const allOfIt = 'All of it';
export const putItInTheChain = 'Put it in the chain';
