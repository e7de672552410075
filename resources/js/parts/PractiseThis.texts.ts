/** What the controls of PractiseThis say. */
export const practiseThis = 'Practise this';
