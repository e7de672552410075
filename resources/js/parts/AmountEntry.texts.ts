/** What the controls of AmountEntry say. */
export const howMuch = 'How much';
export const soMuchByMass = 'so much by mass';
export const theMouldHolds = 'the mould holds';
export const soManyPieces = 'so many pieces';
export const mass = 'Mass';
export const itHolds = 'It holds';
export const pieces = 'Pieces';
export const eachTakes = 'Each takes';
export const sprueOfEach = 'Sprue of each';
export const whereItIsPouredThroughOne = 'where it is poured through one';
