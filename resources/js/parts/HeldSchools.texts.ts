/** What the controls of HeldSchools say. */
export const howItIsDoneHereWhere = 'How it is done here, where schools differ';
export const asComes = 'as comes';
