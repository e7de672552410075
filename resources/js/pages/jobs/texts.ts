/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// BuildIt
export const howIsBuilt = (name: string | number): string => `How is “${String(name)}” built?`;
export const waysToBuildIt = 'Ways to build it';
export const areaToCover = 'Area to cover';
export const wrapItInFoilLayThe = 'wrap it in foil, lay the foil flat, measure that';
export const flange = 'Flange';
export const lengthOfTheSeamTwoFingers = 'length of the seam × two fingers';
export const undercutsToFill = 'Undercuts to fill';
export const n0WhereThereAreNone = '0 where there are none';
export const itTakesInAll = 'It takes in all';
export const clayPressedIntoAMeasureOr = 'clay pressed into a measure, or rice';
export const boxWallsAndBaseBoardOf = 'Box walls and base board of';
export const notSaidItIsJudgedAs = 'not said: it is judged as what nobody knows';
export const bedOf = 'Bed of';
export const wallAtLeast = 'Wall, at least';
export const leftOpenAsThisWayUsually = 'left open: as this way usually is';
export const wallAtMost = 'Wall, at most';
export const planItSo = 'Plan it so';
export const close = 'Close';

// Compare
export const andTheOrderOfWork = ', and the order of work';
export const compareThem = (what: string | number): string => `Compare them${String(what)}`;
export const release = 'release';
export const detail = 'detail';
export const paint = 'paint';
export const skin = 'skin';
export const vapour = 'vapour';
export const coats = 'coats';
export const takes = 'takes';
export const aCast = 'a cast';
export const againAfter = 'again after';
export const theOrderOfWork = 'The order of work';

// ContactPanel
export const releaseHeading = 'Release';
export const nothing = 'Nothing';
export const itLetsGoByItself = 'it lets go by itself';
export const itWouldBeLost = 'it would be lost';
export const fewer = 'Fewer';
export const more = (what: string | number): string => `${String(what)} more`;
export const whatToDo = 'What to do';
export const sealing = 'Sealing';
export const itIsNot = 'It is not';
export const itIsOnAndDry = 'It is on, and dry';
export const theSurfaceAsItIsToday = 'The surface as it is today';
export const sealer = 'Sealer';
export const nothingWithin = 'nothing';
export const hoursSinceItCured = 'Hours since it cured';
export const opened = (curedMs: string | number): string => `opened ${String(curedMs)}`;
export const cured = (curedMs: string | number): string => `cured ${String(curedMs)}`;
export const minutesSinceSolvent = 'Minutes since solvent';
export const judgeAgain = 'Judge again';
export const damp = 'damp';
export const touchedWithLatexOrToolsFrom = 'touched with latex, or tools from latex or tin';
export const washedLitThroughAndWarmed = 'washed, lit through and warmed';

// Copies
export const severalCopiesEachForItsOwn = 'Several copies, each for its own day';
export const howManyCopies = 'How many copies';
export const theFirstIsWantedOn = 'The first is wanted on';
export const thenEverySoManyDays = 'Then every so many days';
export const daysOfTheCopies = 'Days of the copies';
export const copy = (what: string | number): string => `Copy ${String(what)}`;
export const oneOnlyAfterAll = 'One only, after all';

// Job
export const changeNameNumberDate = 'Change name, number, date';
export const wornOnSkin = 'Worn on skin';
export const toLookUp = 'To look up';
export const chain = 'Chain';
export const addALink = 'Add a link';
export const planIt = 'Plan it';
export const whichMould = 'Which mould?';
export const whatAPieceCosts = 'What a piece costs';
export const forAnotherShop = 'for another shop';
export const json = ', JSON';
export const retired = ', retired';
export const aboutCastsLeft = (likely: string | number): string => `, about ${String(likely)} casts left`;
export const theStudyOf = (name: string | number): string => `The study of ${String(name)}`;
export const studyItsModel = 'Study its model';
export const theChosenLink = 'The chosen link';
export const itsSheet = 'its sheet';
export const openItsPourSheet = 'Open its pour sheet';
export const planAPour = 'Plan a pour';
export const openItsBuild = 'Open its build';
export const planItsBuildAnew = 'Plan its build anew';
export const buildItInSeveralOperations = 'Build it in several operations';
export const itIsGone = 'It is gone';
export const itIsThereAfterAll = 'It is there after all';
export const changeIt = 'Change it';
export const moveItEarlier = 'Move it earlier';
export const earlier = '◂ earlier';
export const moveItLater = 'Move it later';
export const later = 'later ▸';
export const takeItOut = 'Take it out';
export const itsContacts = 'Its contacts';
export const pouredSoFar = 'Poured so far';
export const copy2 = (copy: string | number): string => `, copy ${String(copy)}`;
export const nextPour = 'Next pour';
export const earlierInTheLog = (what: string | number): string => `${String(what)} earlier, in the log`;
export const putTheJobAway = 'Put the job away';
export const putItAwayAllTheSame = 'Put it away all the same';
export const keepItHere = 'Keep it here';
export const putTheJobAway2 = (what: string | number): string => `Put the job away${String(what)}`;

// JobForm
export const thePiece = 'The piece';
export const piece = 'Piece';
export const howMany = 'How many';
export const wantedBy = 'Wanted by';
export const whatIsItFor = 'What is it for?';
export const whoGetsItWhereThatIs = 'Who gets it, where that is to be noted';
export const keepIt = 'Keep it';
export const leaveIt = 'Leave it';

// Jobs
export const jobsThatArePutAway = 'Jobs that are put away';
export const jobs = 'Jobs';
export const backToTheJobs = 'Back to the jobs';
export const newJob = 'New job';
export const words = 'Words';
export const partOfItsName = 'part of its name';
export const bringItBack = 'Bring it back';
export const itsChain = 'Its chain';
export const describeTheFirstOne = 'Describe the first one';
export const oneJobIsPutAway = 'One job is put away';
export const jobsArePutAway = (putAway: string | number): string => `${String(putAway)} jobs are put away`;

// LinkForm
export const newLink = 'New link';
export const changeTheLink = 'Change the link';
export const whatItIs = 'What it is';
export const original = 'Original';
export const mould = 'Mould';
export const hardCopy = 'Hard copy';
export const casts = 'Casts';
export const nameWord = 'Name';
export const material = 'Material';
export const itsSurface = 'Its surface';
export const notSaid = 'not said';
export const toTheMouldItIs = 'To the mould it is';
export const whole = 'whole';
export const aHalf = 'a half';
export const aJacket = 'a jacket';
export const aCore = 'a core';
export const anInsert = 'an insert';
export const aPlug = 'a plug';
export const takesItsShapeFrom = 'Takes its shape from';
export const theOneBefore = 'the one before';
export const boxWalls = 'Box walls';
export const none = 'none';
export const bed = 'Bed';
export const putItAfter = 'Put it after';
export const itIsMeantSo = 'It is meant so';
export const note = 'Note';

// MaterialPick
export const notChosenYet = 'not chosen yet';
export const notPouredHerePrintedMachinedBought = 'Not poured here: printed, machined, bought';

// NewJob
export const whatIsItForSkinWater = 'What is it for? Skin, water, weather, a stage, a hand?';
export const itIsWornOnSkinOnly = 'It is worn on skin: only releases that are safe there are offered for its casts';
export const whatIsTheFirstMouldTaken = 'What is the first mould taken from?';
export const claySculptPrintOldPart = 'clay sculpt, print, old part …';
export const notSaidTestedFirst = 'not said: tested first';
export const mouldOf = 'Mould of';
export const castsOf = 'Casts of';
export const startTheJob = 'Start the job';

// Overrule
export const youKnowBetterAllTheSame = 'You know better all the same?';
export const by = (overruledBy: string | number): string => ` by ${String(overruledBy)}`;
export const overruled = (what: string | number): string => `Overruled${String(what)}`;
export const yourReasonItIsKeptAsked = 'Your reason. It is kept, asked again before the pour, and lapses when anything here changes.';
export const whyItIsSafeAllThe = 'why it is safe all the same';
export const thisIsCertainTypeItOut = (words: string | number): string => `This is certain. Type it out: ${String(words)}`;
export const overruleIt = 'Overrule it';
export const takeThatBack = 'Take that back';

// PatchOn
export const putTestPatchesOn = 'Put test patches on …';
export const over = (what: string | number): string => `, over ${String(what)}`;
export const onePatchOfForEachOf = (fresh: string | number, what: string | number): string =>
    `One patch of ${String(fresh)} for each of these${String(what)}. A patch clears just that, and nothing else.`;
export const onTheBareSurface = 'on the bare surface';
export const withoutARelease = 'without a release';
export const patchesAreOn = (length: string | number): string => `${String(length)} patches are on`;
export const thePatchIsOn = 'The patch is on';

// TakenWay
export const theWayItTakes = 'The way it takes';
export const theWayItTakes2 = (kind: string | number): string => `The way it takes: ${String(kind)}`;
export const takeItBackAllOfIt = 'Take it back, all of it';
export const ofWhat = 'of what';
export const promised = 'promised';
export const came = 'came';

// Uses
export const it = 'It …';

// WaysOut
export const whatWouldMakeItSafe = 'What would make it safe';
export const whenIsThat = 'When is that?';
export const putItOn = 'Put it on';
export const takeIt = 'Take it';
