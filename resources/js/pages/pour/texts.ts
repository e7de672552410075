/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Answer
export const poursFor = 'pours for';
export const leftToPour = 'left to pour';
export const openAt = 'open at';
export const willReadAbout = 'will read about';
export const aCupIsLimitedBy = 'a cup is limited by';

// FormulaSection
export const startFromWhatWasPouredBefore = 'Start from what was poured before';
export const choose = 'choose …';
export const takeIt = 'Take it';
export const keepThisFormulaAs = 'Keep this formula as';

// PlanSection
export const yourCups = 'Your cups';
export const cupHolds = 'Cup holds';
export const cupWeighs = 'Cup weighs';
export const youPour = 'You pour';
export const scaleSteps = 'Scale steps';
export const scaleCarries = 'Scale carries';
export const mixing = 'Mixing';
export const thickestPlaceOfThePiece = 'Thickest place of the piece';
export const itCoolsByThatLeftOpen = 'it cools by that; left open, as on its sheet';
export const deAirItUnderVacuum = 'De-air it under vacuum';
export const deAiring = 'De-airing';
export const risesToTimes = 'Rises to … times';

// PourSheet
export const itsBuild = 'its build';
export const thisSheetAndItsPlan = 'This sheet and its plan';
export const howMuchRubber = 'How much rubber';
export const formula = 'Formula';
export const cupScaleMinutes = 'Cup, scale, minutes';
export const whatToWeigh = 'What to weigh';
export const touch = (name: string | number): string => `Touch “${String(name)}”`;
export const gearOnStartThePour = 'Gear on, start the pour';
export const throwThisPlanAway = 'Throw this plan away';
export const lookAtBoth = 'Look at both';
export const showMe = 'Show me';

// VolumeSection
export const howIsTheVolumeKnown = 'How is the volume known?';
export const theyHoldHereToo = 'They hold here too';
export const takeAsMuch = 'Take as much';
export const take = (method: string | number): string => `Take ${String(method)}`;
export const length = 'Length';
export const width = 'Width';
export const height = 'Height';
export const diameter = 'Diameter';
export const pouredBack = 'Poured back';
export const itHolds = 'It holds';
export const pieces = 'Pieces';
export const eachTakes = 'Each takes';
export const sprueOfEach = 'Sprue of each';
export const areaUnderTheBlanket = 'Area under the blanket';
export const howThickItLies = 'How thick it lies';
export const clayPressedIntoAMeasure = 'Clay pressed into a measure';
export const funnelAndVents = 'Funnel and vents';
export const areaToCover = 'Area to cover';
export const coat = (what: string | number): string => `Coat ${String(what)}`;
export const oneMoreCoat = 'One more coat';
export const oneLess = 'One less';
export const volumeOfTheMesh = 'Volume of the mesh';
export const massWanted = 'Mass wanted';
export const whatStandsInIt = 'What stands in it';
export const nothing = 'Nothing';
export const aPartByItsOuterSize = 'A part, by its outer size';
export const aPartByWhatItDisplaces = 'A part, by what it displaces';
export const aPartOfKnownVolume = 'A part of known volume';
export const itsVolume = 'Its volume';
export const itDisplaces = 'It displaces';
export const partLength = 'Part length';
export const partWidth = 'Part width';
export const partHeight = 'Part height';
export const itIsShapedLike = 'It is shaped like';
export const aBox = 'a box';
export const aCylinder = 'a cylinder';
export const anEgg = 'an egg';
export const aSculpture = 'a sculpture';
export const lostOnCupsAndSticks = 'Lost on cups and sticks';
export const cupWallsSprueOverflow = 'Cup walls, sprue, overflow';
export const correctTheMeasuringBy = 'Correct the measuring by';
export const theLastPour = 'the last pour';
export const theLastPours = (pours: string | number): string => `the last ${String(pours)} pours`;
export const tookWithoutTheAllowance = (what: string | number, what2: string | number, pct: string | number): string =>
    `${String(what)} took, without the allowance, ${String(what2)}${String(pct)} %`;

// ByCard
export const pouredByItsCard = 'It was poured by its card: type that in';
export const whenWasItBegun = 'Begun at, as the card says';
export const beginAsOfThen = 'Begin it as of then, and type the rest';
export const theseAreTheCups = (stamp: string | number): string =>
    `These are the cups of a card with “Cups ${String(stamp)}” at its foot. Where it says another, the sheet was changed since: put it back first.`;
export const notByCard = 'It was not';

// PourSheet
export const labelsOfItsCups = 'Labels of its cups, on a sheet';
