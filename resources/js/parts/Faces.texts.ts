/** What the controls of Faces say. */
export const facesOfTheBench = 'Faces of the bench';
