/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Another
export const besideAnotherWay = 'Beside another way';
export const asAnotherJobIsMade = 'As another job is made';
export const typeItOrChooseAJob = 'type it, or choose a job';
export const theOtherWay = 'The other way';
export const boughtIn = 'bought in';
export const beforeTheFirstPiece = 'before the first piece';
export const andAPiece = 'and a piece';

// Cost
export const whatGoesIntoThePrice = 'What goes into the price';
export const piecesCast = 'Pieces cast';
export const castAlready = 'Cast already';
export const ofThemRejects = 'Of them rejects';
export const money = 'Money';
export const material = 'Material';
export const used = 'Used';
export const lost = 'Lost';
export const aKitCosts = 'A kit costs';
export const andWeighs = 'and weighs';
export const keepItAsOurPrice = 'Keep it as our price';
export const moulds = 'Moulds';
export const itCost = 'It cost';
export const andGivesPieces = 'and gives pieces';
export const handsAndOtherThings = 'Hands and other things';
export const handsAndOtherThingsHeading = 'Hands, and other things';
export const work = 'Work';
export const takes = 'takes';
export const anHourCosts = 'An hour costs';
export const keepThatRate = 'Keep that rate';
export const what = 'What';
export const costs = 'costs';
export const leaveItOut = 'Leave it out';
export const somethingOther = 'Something other';
export const moreWork = 'More work';
export const asLogAndStoresHaveIt = 'As log and stores have it';
export const whatItComesTo = 'What it comes to';

// Crossing
export const whatSoManyPiecesCostEither = 'What so many pieces cost either way';

// Numbers
export const otherNumbersOfIt = 'Other numbers of it';
export const aFewSomeMany = 'A few, some, many';
export const numberWord = (what: string | number): string => `Number ${String(what)}`;
export const pieces = 'Pieces';

// Result
export const allTogether = (casts: string | number): string => `All ${String(casts)} together`;
export const wornOffTheMoulds = 'Worn off the moulds';
export const hands = 'Hands';
export const toPayNowInWholeKits = 'To pay now, in whole kits and other things';
