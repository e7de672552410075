/** What the controls of TakingAlong say. */
export const backupAndEverything = 'Backup and everything';
export const backup = 'Backup';
export const takingIt = 'Taking it …';
export const takeABackupNow = 'Take a backup now';
export const everything = 'Everything';
export const takeEverythingAlong = 'Take everything along';
export const bringItIntoAnEmptyShop = 'Bring it into an empty shop';
