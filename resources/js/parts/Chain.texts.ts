/** What the controls of Chain say. */
export const materialNotChosen = 'material not chosen';
export const contactsOf = (name: string | number): string => `Contacts of ${String(name)}`;
