/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Piece
export const thePiece = 'The piece';
export const howMany = 'How many';
export const wantedBy = 'Wanted by';
export const castIn = 'Cast in';
export const ofTheShelf = 'of the shelf';
export const anyOfAFamily = 'any of a family';
export const thePieceAndWhatThereIs = 'The piece, and what there is to make it with';
export const length = 'Length';
export const width = 'Width';
export const height = 'Height';
export const itTakes = 'It takes';
export const thinnest = 'Thinnest';
export const stretch = 'Stretch';
export const theOriginalMayBeLost = 'The original may be lost';
export const boughtInItWouldCostA = 'Bought in it would cost, a piece';
export const theOriginalIsOf = 'The original is of';
export const thereIsA = 'There is a';
export const mouldsMayBeMadeOf = 'Moulds may be made of';

// PlanIt
export const planIt = 'Plan it';
export const waysBesideEachOther = 'Ways, beside each other';
export const whatMatters = 'What matters';
export const onlyTheFirstFour = 'Only the first four';
export const moreThatNothingBeats = (what: string | number): string => `${String(what)} more that nothing beats`;
export const whatWouldNarrowItMost = 'What would narrow it most';
export const whyNot = 'Why not …?';
export const whatCannotBeAndWhy = (length: string | number): string => `What cannot be, and why (${String(length)})`;

// OneWay
export const without = (rubber: string | number): string => `Without ${String(rubber)}`;
export const takeIt = 'Take it';
export const less = 'Less';
export const allOfIt = 'All of it';

// WhyNot
export const whyNotHeading = 'Why not';
export const whyNotA = 'Why not a';
export const ofWord = 'of';
export const ask = 'Ask';
