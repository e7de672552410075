/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// AsSoft
export const asSoftAsAFormula = 'As soft as a formula …';
export const asSoftAs = 'As soft as';
export const aPartOfItsNameOr = 'A part of its name, or what is in it';
export const formulas = 'Formulas';
export const leaveIt = 'Leave it';

// BatchPick
export const howMuchFor = 'How much for';
export const aWeightOf = 'a weight of';
export const aVolumeOf = 'a volume of';
export const soManyPieces = 'so many pieces';
export const batch = 'Batch';
export const itHolds = 'It holds';
export const pieces = 'Pieces';
export const eachTakes = 'Each takes';
export const sprueOfEach = 'Sprue of each';

// Colour
export const whichColour = 'Which colour';
export const inWord = 'In';
export const seenAt = 'Seen at';
export const over = 'over';
export const light = 'light';
export const dark = 'dark';
export const wanted = 'Wanted';
export const darkShowsThrough = 'Dark shows through';
export const n0HidesIt100IsClear = '0 hides it, 100 is clear; left open, depth does not count';
export const at = 'at';
export const whatMattersMore = 'What matters more';
export const theColour = 'the colour';
export const both = 'both';
export const theDepth = 'the depth';
export const howItLooks = 'How it looks';
export const makeASeriesToRead = 'Make a series to read';
export const recipe = 'Recipe';
export const pigmentsAtMost = 'pigments at most';
export const findItAgain = 'Find it again';
export const makeDrawdowns = 'Make drawdowns';
export const takeIt = 'Take it';
export const withWord = 'With';
export const noSoftener = 'no softener';
export const ofAB = '% of A+B';

// ColourTarget
export const orAsAScreenWritesIt = 'or as a screen writes it';
export const offAPhoto = 'Off a photo';
export const orOneThatWasKept = 'or one that was kept';
export const choose = 'choose …';
export const it = 'it';
export const forget = (what: string | number): string => `Forget ${String(what)}`;
export const keepThisColourAs = 'Keep this colour as';
export const keep = 'Keep';
export const putItInThePlaceOf = (name: string | number): string => `Put it in the place of “${String(name)}”`;

// Curve
export const hardnessBySoftener = 'Hardness by softener';
export const hardnessWanted = 'Hardness wanted';

// Drawer
export const theDrawer = 'The drawer';
export const words = 'Words';
export const labelNoteWhatIsInIt = 'label, note, what is in it';
export const base = 'Base';
export const anyWord = 'any';
export const nearestInHardnessTo = 'Nearest in hardness to';
export const nearestInColourTo = 'Nearest in colour to';
export const n621418OrC8a27e = '62 14 18 or #c8a27e';
export const labelsOfThese = 'labels of these';
export const notReadYet = 'not read yet';
export const questioned = 'questioned';
export const theSwatch = 'The swatch';
export const backToTheDrawer = 'Back to the drawer';
export const makeASeries = 'Make a series';
export const outAndIn = 'Out and in';

// Hardness
export const howSoft = 'How soft';
export const tickWhatYouHave = 'tick what you have';
export const softenerCurve = 'Softener curve';
export const puck = 'puck';
export const pucks = 'pucks';
export const softener = 'Softener';
export const seeThem = 'See them';
export const makeMore = 'make more';
export const softenerForIt = 'Softener for it';
export const wantedOn = 'Wanted on';
export const reading = 'Reading';
export const thinnestPlace = 'Thinnest place';
export const whatIsWrittenAboutIt = 'What is written about it';

// Keep
export const putItIntoThatSheet = 'Put it into that sheet';
export const keepItAsAFormulaNamed = 'Keep it as a formula named';
export const keepIt = 'Keep it';

// Label
export const labelOf = (name: string | number): string => `Label of ${String(name)}`;
export const codeThatOpensInTheDrawer = (name: string | number): string => `Code that opens ${String(name)} in the drawer`;

// Labels
export const labels = 'Labels';
export const onto = 'Onto';
export const firstFreePlace = 'First free place';
export const print = 'Print';

// Looks
export const ladderAtThisThickness = 'Ladder, at this thickness';

// Parts
export const swatches = 'Swatches';

// PhotoPatch
export const theCardsLightnessL = 'The card’s lightness L';
export const whatWasTakenWithBothSquares = 'What was taken, with both squares on it';
export const squareOnTheAcrossDown = (which: string | number, what: string | number, what2: string | number): string =>
    `Square on the ${String(which)}, ${String(what)} % across, ${String(what2)} % down`;
export const takeThisColour = 'Take this colour';

// Pinches
export const mayBeUsed = (name: string | number): string => `${String(name)} may be used`;

// ReadColour
export const itLiesOn = 'It lies on';
export const the = 'the';
export const card = 'card';
export const mineIsAnother = 'Mine is another';
export const ofTheCard = (axis: string | number): string => `${String(axis)} of the card`;
export const writeItDown = 'Write it down';

// Series
export const whatIsMade = 'What is made';
export const whatRises = 'What rises';
export const softenerForHardness = 'Softener, for hardness';
export const pigmentForColour = 'Pigment, for colour';
export const pigment = 'Pigment';
export const fullLoad = 'Full load';
export const pucksAtInOfTheFull = 'Pucks at, in % of the full load';
export const pucksAtInOfAB = (what: string | number): string => `Pucks at, in % of A+B (its sheet allows ${String(what)})`;
export const aPuckHolds = 'A puck holds';
export const andIsThick = 'and is thick';
export const lostOnCups = 'Lost on cups';
export const mixing = 'Mixing';
export const whatToWeigh = 'What to weigh';
export const beginWeighing = 'Begin weighing';
export const aLadderOfEachOfThe = (what: string | number): string =>
    `A ladder of each of the ${String(what)} pigments never drawn down in it`;

// SeriesClock
export const aMeetsBStartTheClock = 'A meets B: start the clock';
export const timeToFillThePucks = 'Time to fill the pucks';
export const itHasNotMetYet = 'It has not met yet';

// SeriesRun
export const pucksOf = (called: string | number): string => `Pucks of ${String(called)}`;
export const labelling = 'Labelling';
export const onTheLabels = 'On the labels';
export const pouredLabelThem = 'Poured, label them';
export const takeItOffTheBench = 'Take it off the bench';

// SoftenerCost
export const whatSoMuchSoftenerCosts = 'What so much softener costs';
export const tearStrength = 'tear strength';
export const sweatingOut = 'sweating out';

// Swatch
export const overLightAndOverDark = 'Over light and over dark';
export const photoOf = (name: string | number): string => `Photo of ${String(name)}`;
export const whatWasRead = 'What was read';
export const countIt = 'count it';
export const leaveItOut = 'leave it out';
export const itIsOutOfItsMould = 'It is out of its mould';
export const readItsHardness = 'Read its hardness';
export const readItsColour = 'Read its colour';
export const labelAndNote = 'Label and note';
export const printItsLabel = 'Print its label';
export const scale = 'Scale';
export const readingsThreeOrMore = 'Readings, three or more';
export const itShallCountAllTheSame = 'It shall count all the same';
export const label = 'Label';
export const thickness = 'Thickness';
export const note = 'Note';
export const throwItOut = 'Throw it out';

// Wedge
export const thinMediumAndThickOverLight = 'Thin, medium and thick over light and dark';

// WeighNext
export const onTheScale = 'On the scale';
export const waitingForItToRest = 'Waiting for it to rest …';
export const tare = 'Tare';
export const itIsIn = 'It is in';
export const takeBack = (takesBack: string | number): string => `Take back ${String(takesBack)}`;

export const asAFileOnAnySheet = 'As a file, on any sheet of labels';
