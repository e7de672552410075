/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Density
export const densityOfTheCast = 'Density of the cast';
export const byItsMix = 'by its mix';
export const weighedInWater = 'weighed in water';
export const iKnowIt = 'I know it';
export const castOf = 'Cast of';
export const filler = 'Filler';
export const none = 'none';
export const ofItByWeight = 'Of it, by weight';
export const itWeighsInAir = 'It weighs in air';
export const itWeighsInWater = 'It weighs in water';
export const hungUnderTheScaleBelowNought = 'hung under the scale; below nought where a sinker draws it under, less the sinker';
export const density = 'Density';

// Filling
export const filling = 'Filling';
export const willItFillBeforeItSets = 'Will it fill before it sets?';
export const asArePlanned = (base: string | number, name: string | number): string => `${String(base)}, as “${String(name)}” are planned`;
export const sprue = 'Sprue';
export const mixStandsOverIt = 'Mix stands over it';
export const vents = 'Vents';
export const bubblesThatLeave = 'Bubbles that leave';
export const vacuumPressureOrNeither = 'Vacuum, pressure, or neither';

// Floats
export const inWater = 'In water';
export const howWillItHangInThe = 'How will it hang in the water?';
export const heavierThanWaterBy = 'Heavier than water by';
export const belowNoughtItFloats = 'below nought it floats';
export const hooksAndWireUnderIt = 'Hooks and wire under it';
export const leadLies = 'Lead lies';
export const inside = 'inside';
export const outside = 'outside';
export const water = 'Water';
export const fresh = 'fresh';
export const salt = 'salt';
export const leadWhereItHangsLevel = 'Lead where it hangs level';
export const theBareCastHangsBalancedElsewhere = 'The bare cast hangs balanced elsewhere than in its middle';
export const layItIntoTheWater = 'Lay it into the water';

// Hollow
export const aHollowSkin = 'A hollow skin';
export const castItHollow = 'Cast it hollow?';
export const wall = 'Wall';
export const passes = 'Passes';
export const leftInTheCup = 'Left in the cup';
export const turnedOf = 'Turned of';

// IntoJob
export const boxAndJob = 'Box and job';
export const intoTheJob = 'Into the job';
export const job = 'Job';
export const writeItIntoTheJob = 'Write it into the job';
export const planIt = (name: string | number): string => `Plan it: ${String(name)}`;
export const beginOne = 'begin one';
export const wallsToCut = 'Walls to cut';
export const board = 'Board';
export const joint = 'Joint';
export const tabs = 'tabs';
export const butt = 'butt';
export const aRoundWallToWrap = 'a round wall to wrap';
export const widthOfTheCut = 'Width of the cut';
export const asSvg = 'As SVG';
export const asDxf = 'As DXF';

// PieceIn3d
export const sprueWithin = 'sprue';

// Places
export const fromTheMiddleOfThePiece = (what: string | number): string => `${String(what)}, from the middle of the piece`;

// PullAndPour
export const whichWayTheMouldIsPulled = 'Which way the mould is pulled';
export const whichSideIsUpWhenIt = 'Which side is up when it is poured';
export const pull = 'Pull';
export const pour = 'Pour';
export const leaningFromTheToThe = (what: string | number, what2: string | number, what3: string | number): string =>
    `${String(what)} leaning from the ${String(what2)} to the ${String(what3)}`;
export const pullTowardsThe = 'Pull towards the …';
export const hides = (what: string | number, what2: string | number): string => `${String(what)}. hides ${String(what2)} %`;
export const aMouldOfOnePartPulled = 'A mould of one part, pulled one way';
export const pourItWithThisSideUp = 'Pour it with this side up';
export const noAirStays = 'no air stays';
export const vent = 'vent';
export const ventsWithin = 'vents';
export const findTheBestPullAndPour = 'Find the best pull and pour';
export const seamAndWalls = 'Seam and walls';
export const seam = 'seam';
export const heightOfTheSeam = 'Height of the seam';
export const whereItPartsByItself = 'Where it parts by itself';
export const roomRoundThePiece = 'Room round the piece';
export const nameItsSides = 'Name its sides';
export const theIsIts = (usual: string | number): string => `The ${String(usual)} is its`;
export const callThemSo = 'Call them so';

// Stretch
export const stretch = 'Stretch';
export const howFarMustItStretch = 'How far must it stretch?';

// Studies
export const studyAPieceBeforeAnythingIs = 'Study a piece before anything is poured';
export const howMuchOfTheFileIs = 'How much of the file is in';
export const stop = 'Stop';
export const chooseAModel = 'Choose a model';
export const studiedSoFar = 'Studied so far';
export const noJobYet = 'no job yet';
export const comesOutClean = 'comes out clean';
export const hides2 = (what: string | number): string => `${String(what)} % hides`;
export const andItLeaks = ', and it leaks';
export const notAnsweredYet = 'not answered yet';

// Study
export const study = 'Study';
export const howFarTheStudyIs = 'How far the study is';
export const askAgain = 'Ask again';
export const inWhichUnitIsItDrawn = 'In which unit is it drawn?';
export const itIsDrawnIn = (name: string | number): string => `It is drawn in ${String(name)}`;
export const thePiece = 'The piece';
export const whereItIsCut = 'Where it is cut';
export const whatItTells = 'What it tells';
export const volume = 'Volume';
export const size = 'Size';
export const surface = 'Surface';
export const hidesHeading = 'Hides';
export const boxInside = 'Box inside';
export const rubber = 'Rubber';
export const rubberBelowAbove = 'Rubber below, above';
export const whereAirStays = 'Where air stays';
export const aVentHere = 'A vent here';
export const airShutIntoTheRubber = 'Air shut into the rubber';
export const underARiseOf = (what: string | number, trappedMl: string | number, prominenceMm: string | number): string =>
    `${String(what)}: ${String(trappedMl)} under a rise of ${String(prominenceMm)}`;
export const theFile = 'The file';
export const putThisModelAway = 'Put this model away';

// Together
export const manyAtOnce = 'Many at once';
export const manyAtOnceHeading = 'Many at once?';
export const originalsInOneBlock = 'Originals in one block';
export const gapBetweenTwo = 'Gap between two';
export const ofWord = 'Of';
export const theBlockSeenFromAbove = 'The block seen from above';
