/** What the controls of these screens say: all that stands on a button, a field, a heading or a link. */
// Log
export const log = 'Log';
export const whatGoesWrongTrials = 'What goes wrong, trials';
export const takeItOutAsCsv = 'Take it out as CSV';
export const words = 'Words';
export const jobNoteOctoberLastWeek = 'job, note, October, last week';
export const grade = 'Grade';
export const anyWord = 'any';
export const fault = 'Fault';
export const anyOrNone = 'any or none';
export const base = 'Base';
export const grades = 'Grades';
