/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Decided
export const decided = 'Decided';
export const whatWasDecidedBefore = 'What was decided before';

// OnePerson
export const is = (called: string | number): string => `${String(called)} is`;
export const newPinOrPassphrase = 'New PIN or passphrase';
export const forWord = (called: string | number): string => `for ${String(called)}`;
export const signOutEverywhere = 'Sign out everywhere';
export const leaves = 'Leaves';
export const isBack = 'Is back';
export const forgetTheName = 'Forget the name';
export const ofWord = (called: string | number): string => `of ${String(called)}`;
export const newPin = 'New PIN';
export const newPassphrase = 'New passphrase';
export const keep = 'Keep';

// People
export const people = 'People';
export const youComeFirst = 'You come first';
export const somebodyNew = 'Somebody new';
export const nameWord = 'Name';
export const isHeading = 'Is';
export const pinForTheBench4To = 'PIN for the bench, 4 to 8 figures';
export const passphraseToComeInFromElsewhere = 'Passphrase, to come in from elsewhere';
export const writeDown = 'Write down';
export const tabletsAtTheBench = 'Tablets at the bench';
export const itAsksAgainAfter = 'It asks again after';
export const minutesWithoutATouch = 'minutes without a touch';
export const setWord = 'Set';
export const trustItNoMore = 'Trust it no more';
export const thisOneIsCalled = 'This one is called';
export const trustThisTablet = 'Trust this tablet';
export const programs = 'Programs';
export const letItGo = 'Let it go';
export const itIsCalled = 'It is called';
export const andComesFor = 'And comes for';
export const theDayAsACalendar = 'the day, as a calendar';
export const figuresOverTheInterface = 'figures, over the interface';
export const makeAToken = 'Make a token';
export const left = 'Left';

// SignIn
export const comeIn = 'Come in';
export const whoseHands = 'Whose hands?';
export const orWithAPassphrase = 'Or with a passphrase';
export const shop = 'Shop';
export const passphrase = 'Passphrase';

// Trust
export const thisTabletTrustsTheBench = 'This tablet trusts the bench';
export const beforeThisTabletWorksAtThe = 'Before this tablet works at the bench';
export const toTheBench = 'To the bench';
export const takeThisPageAlong = 'Take this page along';
export const codeOfTrust = (here: string | number): string => `Code of ${String(here)}/trust`;
export const takeItsCertificateIn = 'Take its certificate in';
export const takeTheCertificate = 'Take the certificate';
export const sayThatYouTrustIt = 'Say that you trust it';
export const openItSafely = 'Open it safely';

// Welcome
export const youAnswerForThisShop = 'You answer for this shop';
export const yourName = 'Your name';
export const aPassphraseTenLettersOrMore = 'A passphrase, ten letters or more: three words do';
export const aPinForTheBench4 = 'A PIN for the bench, 4 to 8 figures';
export const begin = 'Begin';
