/** What the controls of ScaleHere say. */
export const aScaleAtThisTablet = 'A scale at this tablet';
export const speed = 'Speed';
export const chooseItsPort = 'Choose its port';
export const inWord = 'in';
export const itIsAnotherFigure = 'It is another figure';
export const useItNoMore = 'Use it no more';
export const tryItWithAStandIn = 'Try it with a stand-in';
export const clearItsPan = 'Clear its pan';
