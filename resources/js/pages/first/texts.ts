/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// First
export const welcomeToTheBench = 'Welcome to the bench';
export const whatIsOnYourShelf = 'What is on your shelf?';
export const theFirstJob = 'The first job';
export const theFirstHour = 'The first hour';
export const leaveItAsItIsFor = 'Leave it as it is for now';
export const allOfThese = 'all of these';
export const noneOfThese = 'none of these';
export const empty = ': empty';
export const thatIsMyShelf = (what: string | number): string => `That is my shelf${String(what)}`;
export const writeASheetOfMyOwn = 'Write a sheet of my own';
export const describeTheFirstJob = 'Describe the first job';
export const seeWhatMayTouchWhat = 'See what may touch what';
export const toTheBench = 'To the bench';
