/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// CastIn
export const whatWasCastInIt = 'What was cast in it';

// Life
export const howManyCastsAreLeft = 'How many casts are left';

// Look
export const condition = 'Condition';
export const howDoesItLook = 'How does it look?';
export const itsSkinUnderALamp = 'Its skin under a lamp';
export const marks = 'Marks';
export const thatIsHowItLooks = 'That is how it looks';

// OneMould
export const rack = 'Rack';
export const bringItBack = 'Bring it back';
export const beforeTheNextCast = 'Before the next cast';
export const now = (what: string | number): string => `${String(what)} now`;
export const care = 'Care';
export const sinceTheLastCast = 'since the last cast';
export const castsAgo = (castsSince: string | number): string => `${String(castsSince)} casts ago`;
export const isItDry = 'Is it dry?';
export const asItWasPhotographedLast = (name: string | number): string => `${String(name)} as it was photographed last`;
export const whatItIs = 'What it is';
export const itIsGone = 'It is gone';
export const itIsThere = 'It is there';
export const whatGoesIntoThat = 'What goes into that';
export const whereItLies = 'Where it lies';
export const shelf2Left = 'shelf 2, left';
export const putItThere = 'Put it there';
export const note = 'Note';
export const writeItDown = 'Write it down';
export const aPhotoOfIt = 'A photo of it';
export const keepThePhoto = 'Keep the photo';

// PutOn
export const aMouldThatIsThereAlready = 'A mould that is there already';
export const called = 'Called';
export const madeOf = 'Made of';
export const notSaid = 'not said';
export const printedMachinedOrBought = 'Printed, machined or bought';
export const casts = 'Casts';
export const castsMadeInItSoFar = 'Casts made in it so far';
export const putItOnTheRack = 'Put it on the rack';

// Rack
export const takeItOutAsCsv = 'Take it out as CSV';
export const putOneOnTheRack = 'Put one on the rack';
export const findAMould = 'Find a mould';
export const nameJobPlaceM12 = 'name, job, place, M-12';
export const show = 'Show';
export const inUse = 'in use';
export const retired = 'retired';
export const aReleaseGoesOnWhereIt = 'A release goes on, where it is no must';
export const log = 'log';
export const retired2 = (name: string | number): string => `${String(name)}, retired`;

// Retire
export const retireIt = 'Retire it';
export const itsEnd = 'Its end';
export const theNextOfIt = 'The next of it';
export const whyItIsRetired = 'Why it is retired';
export const retireItAndReMakeIt = 'Retire it and re-make it';
export const reMakeIt = 'Re-make it';
export const fromWord = (name: string | number): string => ` from ${String(name)}`;
export const onlyRetireIt = 'Only retire it';

// Told
export const whatWasToldOfIt = 'What was told of it';
export const toldOfIt = 'Told of it';
export const takeBackTheLast = 'Take back the last';

export const labelsOfThese = 'Labels of these, on a sheet';
