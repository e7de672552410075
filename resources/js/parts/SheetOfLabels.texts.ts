/** What the controls of a sheet of labels say. */
export const across = 'Across';
export const down = 'Down';
export const aboveAndBelow = 'Above and below';
export const leftAndRight = 'Left and right';
export const betweenColumns = 'Between columns';
export const betweenRows = 'Between rows';
export const firstFreePlace = 'First free place';
export const thisSheet = 'This sheet';
export const aWholeNumber = (most: number): string => `A whole number from 1 to ${String(most)}.`;
export const soManyAtMost = (most: number): string => `From 0 to ${String(most)} mm.`;
export const countThePlaces = (places: number): string => `Count the places from the top left: 1 to ${String(places)}.`;
export const printAtFullSize = 'Print at 100 %. Held against the light on an empty sheet first, it shows whether each lies in its place.';
