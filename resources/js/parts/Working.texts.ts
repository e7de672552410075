/** What the controls of Working say. */
export const howTheseNumbersComeAbout = 'How these numbers come about';
