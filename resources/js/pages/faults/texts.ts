/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Cups
export const notGraded = 'not graded';

// Faults
export const log = 'Log';
export const whatGoesWrongAgainAndAgain = 'What goes wrong again and again';
export const badIs = 'Bad is';
export const poorOrSpoilt = 'poor or spoilt';
export const whatYouFound = 'What you found';
export const whatYouFoundBehindBadCasts = 'What you found behind bad casts';
export const trials = 'Trials';
export const planATrial = 'Plan a trial';

// NewTrial
export const aTrial = 'A trial';
export const called = 'Called';
export const threeReleasesOnTheOldBlock = 'Three releases on the old block';
export const about = 'About';
export const aRelease = 'a release';
export const theAirInIt = 'the air in it';
export const aThickness = 'a thickness';
export const aSoftener = 'a softener';
export const somethingOther = 'something other';
export const ofWord = 'Of';
export const noBaseSaid = 'no base said';
export const on = 'On';
export const noSurfaceSaid = 'no surface said';
export const cupsOfEach = 'Cups of each';
export const fourTellTwoVariantsApartFive = 'four tell two variants apart, five tell more of them';
export const gramsACup = 'Grams a cup';
export const eachCupIs = 'Each cup is';
export const graded = 'graded';
export const countedForBubbles = 'counted for bubbles';
export const countedForTears = 'counted for tears';
export const countedForPits = 'counted for pits';
export const leftAloneIs = 'Left alone is';
export const noneOfThem = 'none of them';
export const variant = (what: string | number): string => `variant ${String(what)}`;
export const variant2 = (what: string | number): string => `Variant ${String(what)}`;
export const release = 'Release';
export const noneBare = 'none, bare';
export const underVacuum = 'Under vacuum';
export const inThePot = 'In the pot';
export const leaveItOut = 'Leave it out';
export const oneMoreVariant = 'One more variant';
export const planIt = 'Plan it';

// OneTrial
export const whatGoesWrong = 'What goes wrong';
export const hideWhichCupIsWhich = 'Hide which cup is which';
export const showWhichCupIsWhich = 'Show which cup is which';
export const twoByTwo = 'Two by two';
export const nothingIsChangedAfterThatEnd = 'Nothing is changed after that: end it';
export const thatIsAllOfIt = 'That is all of it';
export const takeBackTheLast = 'Take back the last';
export const whatBecomesOfIt = 'What becomes of it';
export const itIsAFactFor = 'It is a fact for';
export const nothingItStaysHere = 'nothing, it stays here';
export const theContactsWhatCuredOnThe = 'the contacts: what cured on the bare surface';
export const theHardnessWhatTheGaugeRead = 'the hardness: what the gauge read';
export const theFaultsWhatWasBehindBad = 'the faults: what was behind bad casts';
export const itConfirms = 'It confirms';
export const chooseACause = 'choose a cause';
export const theBetterCupsWereOf = 'The better cups were of';
export const chooseAFormula = 'choose a formula';
export const scale = 'Scale';
export const theGaugeRead = 'The gauge read';
export const writeItDownThere = 'Write it down there';
