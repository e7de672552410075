/** What the controls of Find say. */
export const find = 'Find';
export const aJobMouldFormulaSheet = 'a job, mould, formula, sheet';
export const aPartOfItsName = 'A part of its name';
export const findAJobAMouldA = 'Find a job, a mould, a formula, a sheet or a kit';
export const found = 'Found';
export const pointAtALabel = 'Point at a label';
export const close = 'Close';
