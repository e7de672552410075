/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Contacts
export const whatMayTouchWhat = 'What may touch what';
export const freshMaterial = 'Fresh material';
export const freshMaterialsOnSurfaces = 'Fresh materials on surfaces';
export const yourTestPassed = ', your test passed';
export const yourTestFailed = ', your test failed';
export const on = (name: string | number, name2: string | number, inShort: string | number, what: string | number): string =>
    `${String(name)} on ${String(name2)}: ${String(inShort)}${String(what)}`;
export const on2 = (fresh: string | number, surfaces: string | number): string => `${String(fresh)} on ${String(surfaces)}`;
export const rulesOfYourOwn = 'Rules of your own';
export const leaveItOut = 'leave it out';
export const writeARule = 'Write a rule';

// Pair
export const whatToDo = 'What to do';
export const releasesBestFirst = 'Releases, best first';
export const fitsOf100 = (what: string | number): string => `fits ${String(what)} of 100`;
export const wouldRuinIt = 'Would ruin it';
export const yourOwnTests = 'Your own tests';
export const photo = 'photo';
export const putOnATestPatch = 'Put on a test patch';
export const stores = 'Stores';
export const ofWord = 'of';
export const over = 'over';
export const theBareSurface = 'the bare surface';
export const releasedWith = 'released with';
export const nothing = 'nothing';
export const where = 'where';
export const underTheLeftFoot = 'under the left foot';
export const itIsOn = 'It is on';

// Patches
export const testPatchesThatAreOn = 'Test patches that are on';
export const whatYouSaw = 'What you saw';
export const curedCameAway = 'Cured, came away';
export const failed = 'Failed';

// WriteRule
export const aRuleOfYourOwn = 'A rule of your own';
export const itsName = 'Its name';
export const greyPrimer = 'grey-primer';
export const itIsAbout = 'It is about';
export const whetherItCures = 'whether it cures';
export const howItParts = 'how it parts';
export const whatMustNeverBe = 'what must never be';
export const fresh = 'Fresh';
export const onHeading = 'On';
export const whatHappens = 'What happens';
export const choose = 'choose …';
export const when = 'When';
export const howSureAreYou = 'How sure are you?';
export const itIsUsuallySo = 'it is usually so';
export const itIsCertain = 'it is certain';
export const schoolsDiffer = 'schools differ';
export const whyAsYouWouldSayIt = 'Why, as you would say it';
export const whatWouldItChange = 'What would it change?';
export const keepTheRule = 'Keep the rule';
export const leaveIt = 'Leave it';
