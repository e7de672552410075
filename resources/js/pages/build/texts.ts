/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Build
export const copyOf = (copy: string | number, what: string | number): string => `, copy ${String(copy)} of ${String(what)}`;
export const copies = 'Copies';
export const whatWentWrong = 'What went wrong?';
export const takeBack = (what: string | number, what2: string | number): string => `Take back ${String(what)} ${String(what2)}`;
export const note = 'Note';
export const leaveOut = (name: string | number): string => `Leave “${String(name)}” out`;
export const notes = 'Notes';
export const changeThePlan = 'Change the plan';
export const thisBuild = 'This build';
export const keepItAsAWayOf = 'Keep it as a way of your own, called';
export const keepThisWay = 'Keep this way';
export const buildTheSameAgainSoMany = 'Build the same again, so many times';
export const asItWasBuiltInThe = 'as it was built in the end, with its formula, its colours and its sheets';
export const buildItAgain = 'Build it again';
export const throwThisPlanAway = 'Throw this plan away';
export const giveThisBuildUp = 'Give this build up …';
export const whyInAWordOrTwo = 'Why, in a word or two';
export const giveItUp = 'Give it up';
export const goOnWithIt = 'Go on with it';

// GradeBuild
export const howDidItComeOut = 'How did it come out?';
export const grade = 'Grade';
export const whatWentWrongIfAnything = 'What went wrong, if anything';
export const piecesThatCameOfIt = 'Pieces that came of it';
export const writeItDown = 'Write it down';

// NowPanel
export const putThatThinCoatInFirst = 'Put that thin coat in first';
export const onWhatWithWhat = 'On what, with what';
export const releaseOn = (what: string | number): string => `Release on ${String(what)}`;
export const nothing = 'nothing';
export const goOnWeighing = 'Go on weighing';
export const openItsSheet = 'Open its sheet';
export const weighItUp = 'Weigh it up';
export const itPassesNow = 'It passes now';
export const checkedAndGood = 'Checked, and good';
export const done = 'Done';
export const itIsNot = 'It is not';
export const beginOfHands = (what: string | number): string => `Begin: ${String(what)} of hands`;
export const itWasDoneThen = 'It was done then';
export const touchWithAGlovedFingerOn = (name: string | number): string =>
    `Touch “${String(name)}” with a gloved finger, on a place that does not matter:`;
export const cautions = 'Cautions';

// Operations
export const operations = 'Operations';
export const after = (what: string | number): string => `after ${String(what)}`;
export const until = (shutsMs: string | number): string => ` until ${String(shutsMs)}`;
export const fromWord = (opensMs: string | number, what: string | number): string => `from ${String(opensMs)}${String(what)}`;
export const until2 = (shutsMs: string | number): string => `until ${String(shutsMs)}`;
export const ofHands = (what: string | number): string => `${String(what)} of hands`;
export const leftOut = ', left out';
export const touched = (atMs: string | number, what: string | number, what2: string | number): string =>
    `touched ${String(atMs)}: ${String(what)}${String(what2)}`;

// PlanForm
export const thePlan = 'The plan';
export const close = 'Close';
export const change = 'Change';
export const moveUp = (name: string | number): string => `Move ${String(name)} up`;
export const moveDown = (name: string | number): string => `Move ${String(name)} down`;
export const takeOut = (name: string | number): string => `Take ${String(name)} out`;
export const takeOutHeading = 'Take out';
export const whatItIsCalled = 'What it is called';
export const kind = 'Kind';
export const minutesOfHands = 'Minutes of hands';
export const theScaleSaysWhetherItIsDry = 'The scale says whether it is dry';
export const needs = 'Needs';
export const hands = 'hands';
export const handsAndTheVacuumChamber = 'hands and the vacuum chamber';
export const thePressurePot = 'the pressure pot';
export const nobody = 'nobody';
export const ofWord = 'Of';
export const whatTheLinkIsMadeOf = 'what the link is made of';
export const laidOn = 'Laid on';
export const theOriginal = 'the original';
export const theLastLayer = 'the last layer';
export const aTrayOfItsOwn = 'a tray of its own';
export const itHasTo = 'It has to';
export const bondToIt = 'bond to it';
export const letGoOfIt = 'let go of it';
export const itMakes = 'It makes';
export const thePieceOrALayerOf = 'the piece, or a layer of it';
export const aHalfOfTheMould = 'a half of the mould';
export const aJacketOrAShellOf = 'a jacket, or a shell of one';
export const thickness = 'Thickness';
export const overAnAreaOf = 'Over an area of';
export const tint = 'Tint';
export const itTakes = 'It takes';
export const afterHeading = 'After';
export const fromWhen = 'From when';
export const untilWhen = 'Until when';
export const noEnd = 'no end';
export const minutesAfterItsEnd = 'minutes after its end';
export const atLeast = 'At least';
export const atMost = 'At most';
export const needNotWaitForIt = 'Need not wait for it';
export const waitsForSomethingMore = 'Waits for something more';
export const keepThisPlan = 'Keep this plan';
export const addAnOperation = 'Add an operation';
export const asItStandsOnTheBench = 'As it stands on the bench computer';

// Section
export const insideIt = (what: string | number): string => `; inside it ${String(what)}`;
export const inSection = (words: string | number, what: string | number): string => `In section: ${String(words)}${String(what)}`;
export const parts = 'Parts';
export const layersFromTheMouldInwards = 'Layers, from the mould inwards';
export const layersFromTheOriginalOutwards = 'Layers, from the original outwards';
