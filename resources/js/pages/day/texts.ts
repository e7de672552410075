/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Day
export const whatMoved = 'What moved';
export const moved = 'Moved';
export const letItBePlannedAgain = 'Let it be planned again';
export const startedNowFinishedToday = 'Started now, finished today';
export const goesIntoAnotherDay = 'Goes into another day';
export const theDayOnPaper = 'The day on paper';
export const calendarFile = 'Calendar file';

// Gang
export const manyFromAFewMoulds = 'Many from a few moulds';
export const pieces = 'Pieces';
export const piecesAMould = 'Pieces a mould';
export const moulds = 'Moulds';
export const mixAndPourEach = 'Mix and pour, each';
export const ofThatInTheChamber = 'Of that in the chamber';
export const inTheMould = 'In the mould';
export const openAndCleanEach = 'Open and clean, each';
export const layItOut = 'Lay it out';

// Lanes
export const theDayLaneByLaneWith = 'The day, lane by lane. With an outline in focus, the arrow keys put it five minutes earlier or later.';
export const pairs = (hands: string | number): string => `, ${String(hands)} pairs`;
