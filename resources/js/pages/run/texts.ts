/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Actions
export const waitingForItToRest = 'Waiting for it to rest …';
export const leaveItAsItIs = 'Leave it as it is';
export const backOnTheHeat = 'Back on the heat';
export const goOnShort = 'Go on short';
export const takeBack = (run: string | number): string => `Take back ${String(run)}`;
export const note = 'Note';

// Card
export const typeTheCardIn = 'Type the card in';
export const cardNo = (no: string | number): string => `batch card no. ${String(no)}`;
export const begunAt = (when: string | number): string =>
    `Begun ${String(when)}. What stands on the card becomes the run; what it leaves open goes on there.`;
export const whatStandsTicked = 'What stands ticked on it';
export const putOn = (gear: string | number): string => `Put on before: ${String(gear)}`;
export const nothingToPutOn = 'Nothing had to be put on';
export const afterwards = 'Afterwards';
export const leftInCupGelledAt = 'What was left in the cup gelled at';
export const openedAt = 'Opened at';
export const leftEmptyItGoesOn = 'left empty, it goes on in the run';
export const gelledWord = 'Gelled';
export const openedWord = 'Opened';
export const whatIsWrittenOnIt = 'What else is written on it';
export const itWasSo = 'It was so';
export const itBecomesTheRun = 'Hand it in: it becomes the run';
export const onItsRun = 'Go on in the run instead';
export const allOfItIsTold = 'All of this pour is told.';
export const lookAtIt = 'Look at it';
export const tooManyCups = 'A card of so many cups is told on its run, cup by cup.';

// CardCup
export const cupOfCard = (cup: string | number): string => `Cup ${String(cup)}`;
export const cupOf = (cup: string | number, holds: string | number): string => `Cup ${String(cup)}: ${String(holds)}`;
export const cupOfSo = (cup: string | number, cups: string | number, holds: string | number): string =>
    `Cup ${String(cup)} of ${String(cups)}: ${String(holds)}`;
export const addColumn = 'Add';
export const thisMuch = 'this much';
export const theDisplayReads = 'the display reads';
export const itReallyRead = 'it really read';
export const reallyRead = (what: string | number): string => `After ${String(what)} it read`;
export const toldAlready = 'told already';
export const readInThePot = 'It read in the pot';
export const offTheHeatAt = 'Off the heat at';
export const metAt = (met: string | number): string => `${String(met)} at`;
export const inTheMould = 'In the mould';
export const inTheMouldAt = 'In the mould at';

// ContactsStep
export const beforeAnythingIsMixed = 'Before anything is mixed';
export const now = 'now';
export const then = 'then';
export const itWaitsFrom = (minutes: string | number, what: string | number): string => `It waits ${String(minutes)} from ${String(what)}`;

// CupClocks
export const theCupsOfThisPour = 'The cups of this pour';

// DoneStep
export const inTheLog = (grade: string | number): string => `In the log: ${String(grade)}`;
export const backToTheJob = 'Back to the job';
export const whatAPieceCosts = 'What a piece costs';
export const theLog = 'The log';

// Earlier
export const then2 = (words: string | number): string => `${String(words)} then`;

// Gelled
export const now2 = (what: string | number): string => `${String(what)} now`;
export const at = (what: string | number, what2: string | number): string => `${String(what)} at ${String(what2)}`;

// GiveUp
export const giveThisPourUp = 'Give this pour up?';
export const whyInAWordOrTwo = 'Why, in a word or two';
export const giveItUp = 'Give it up';
export const goOnWithIt = 'Go on with it';

// GivenUpStep
export const givenUp = 'Given up';

// GradeStep
export const howDidItComeOut = 'How did it come out?';
export const grade = 'Grade';
export const whatWentWrongIfAnything = 'What went wrong, if anything';
export const piecesThatCameOfIt = 'Pieces that came of it';
export const aGangMouldGivesSeveral = 'a gang mould gives several';
export const leftOver = 'Left over';
export const ofWeighedInWhatIsStill = (weighedG: string | number): string =>
    `of ${String(weighedG)} weighed in: what is still in cup, sprue and overflow. Left open, it teaches nothing.`;
export const itWasOverItsHeatAnd = ': it was over its heat, and scorched it only spoils the next';
export const whatIsLeftGoesBackOn = (what: string | number): string => `What is left goes back on the shelf as scrap${String(what)}`;
export const gradeThePiecesOneByOne = 'Grade the pieces one by one';
export const pieceByPiece = 'Piece by piece';
export const whatIsWrongWithPiece = (what: string | number): string => `What is wrong with piece ${String(what)}`;
export const noFaultSaid = 'no fault said';
export const allAlikeAfterAll = 'All alike after all';

// HeatHow
export const standInPot = 'Stand-in pot';

// HeatStep
export const untilTheNextStir = 'Until the next stir';
export const askingTheProbe = 'Asking the probe …';
export const stirredTheProbeReads = (celsius: string | number): string => `Stirred: the probe reads ${String(celsius)}`;
export const itReads = 'It reads';
export const writeItDown = 'Write it down';
export const stirredWriteItDown = 'Stirred, write it down';
export const isItReallyOffTheHeat = 'Is it really off the heat?';
export const notYet = 'Not yet';
export const itIsOffTheHeatAll = 'It is off the heat all the same';

// History
export const howItWentStepByStep = 'How it went, step by step';
export const plannedBesideWeighed = 'Planned beside weighed';
export const planned = 'planned';
export const weighed = 'weighed';
export const after = (met: string | number): string => `After: ${String(met)}`;
export const expected = 'expected';
export const really = 'really';
export const atWithin = 'at';
export const what = 'what';
export const room = 'room';
export const by = 'by';
export const cup = (batch: string | number): string => `, cup ${String(batch)}`;

// LaidStep
export const itLies = 'It lies.';
export const leftInCupAndOnThe = 'Left in cup and on the stick';
export const weighItSoThickItReally = 'weigh it: so thick it really lies';
export const backToTheBuild = 'Back to the build';

// NotReady
export const isItReadyForIt = 'Is it ready for it?';
export const itWasReadyAndItWent = 'It was ready, and it went on';

// NoteDialog
export const aFault = 'A fault?';
export const noJustANote = 'no, just a note';
export const inYourWords = 'In your words';
export const keepIt = 'Keep it';
export const leaveIt = 'Leave it';

// PlainStep
export const gearOn = 'Gear on';
export const cupOnTheScaleWithWhat = (what: string | number): string => `Cup${String(what)} on the scale, with what is in it`;
export const emptyCupOnTheScale = (what: string | number): string => `Empty cup${String(what)} on the scale`;

// PotClock
export const potLife = 'Pot life';

// RescueStep
export const tooMuchInItCanBe = 'Too much in. It can be saved';
export const stillToAdd = 'Still to add';
export const howMuch = 'how much';
export const displayReads = 'display reads';

// RestOfCup
export const someLeftInTheCupOr = 'Some left in the cup, or the level too low?';
export const whatWouldItFill = 'What would it fill?';
export const areaThatIsShort = 'Area that is short';
export const tooLowBy = 'too low by';
export const howMuchIsMissing = 'How much is missing?';
export const takeOff = 'take off';
export const aSmallThing = 'A small thing';
export const keyTray = 'key tray';
export const takes = 'takes';
export const itWaits = 'It waits';

// Run
export const withWhatIsInTheCup = ', with what is in the cup';
export const backToThePlan = (what: string | number): string => `Back to the plan${String(what)}`;
export const giveThisPourUpHeading = 'Give this pour up …';
export const givingItUp = 'giving it up';
export const theLastStep = 'the last step';
export const whatItWas = 'what it was';
export const theGrading = 'the grading';
export const notes = 'Notes';

// TimedStep
export const deAirIt = 'De-air it';

// Turning
export const turning = 'Turning';

// WaitStep
export const readyToOpen = 'Ready to open';

// WeighStep
export const pour = 'Pour';
export const add = 'Add';
export const untilTheScaleReads = (what: string | number, label: string | number): string =>
    `${String(what)} ${String(label)} until the scale reads`;
export const onTheScale = 'on the scale';
export const overBy = 'over by';
export const stillToPour = 'still to pour';
export const goodBetween = 'good between';
export const itIs = 'it is';
export const theScaleReads = 'The scale reads';
export const goodBetweenAndEnterConfirms = (what: string | number, to: string | number): string =>
    `good between ${String(what)} and ${String(to)}; Enter confirms`;
export const iPouredTheOtherPart = 'I poured the other part';
export const letTheScaleSayIt = 'Let the scale say it';
export const typeTheReadingInstead = 'Type the reading instead';

// WhatWentWrong
export const whatWentWrong = 'What went wrong';
export const whatWentWrongHeading = 'What went wrong?';
export const iDoNotKnow = 'I do not know';
export const itWasThis = 'It was this';
export const itWasSomethingElse = 'It was something else';
export const leaveItOpen = 'leave it open';
export const itWasThat = 'It was that';

// Where
export const mouldAndKits = 'Mould and kits';
export const itIsTherePutItOn = 'It is there: put it on the rack';
export const anotherMould = 'Another mould';
export const filled = (job: string | number): string => `, filled: ${String(job)}`;
export const fromInstead = (label: string | number): string => `from ${String(label)} instead`;
export const fromWord = (label: string | number): string => `from ${String(label)}`;
