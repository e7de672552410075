/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// CameTo
export const practice = 'Practice';
export const whyAsTheFaultsWouldHave = 'Why, as the faults would have it';
export const tryAgainFromHere = 'Try again from here';
export const whatWouldHaveCostYou = 'What would have cost you';
export const doneWell = 'Done well';
export const fromTheBeginningAgain = 'From the beginning again';
export const whatComesNext = 'What comes next';

// OwnScenario
export const somethingToPractise = 'Something to practise';
export const nameWord = 'Name';
export const whatItIsAbout = 'What it is about';
export const base = 'Base';
export const howMuchMl = 'How much, ml';
export const theCupTakesMl = 'The cup takes, ml';
export const theRoomC = 'The room, °C';
export const itIsDeAired = 'It is de-aired';
export const whatGoesWrong = 'What goes wrong';
export const atLine = 'at line';
export const onWhat = 'On what';
export const when = 'When';
export const whileItIsStirred = 'while it is stirred';
export const beforeItGoesIn = 'before it goes in';
export const whileItIsWeighed = 'while it is weighed';
export const leaveIt = 'Leave it';
export const keepIt = 'Keep it';

// Practice
export const levelOf5 = (level: string | number): string => `Level ${String(level)} of 5`;
export const practise = 'Practise';
export const takeItAway = 'Take it away';
export const writeYourOwn = 'Write your own';
export const goBackToIt = 'Go back to it';
export const endIt = 'End it';
export const nextForYou = 'Next for you';
export const whereYouStand = 'Where you stand';
export const allThereIs = 'All there is';
export const whatTheyCameTo = 'What they came to';
export const howTheOthersComeOn = 'How the others come on';
