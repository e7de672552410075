/** What the controls of ScaleTrouble say. */
export const theScaleServesAnotherWeighUp = 'The scale serves another weigh-up';
export const theScaleServes = 'The scale serves';
export const takeTheScaleOver = 'Take the scale over';
export const theScaleIsNotBelieved = 'The scale is not believed';
export const allOfItIsInThe = 'All of it is in the cup';
export const goOnItIsInThe = 'Go on, it is in the cup';
export const itWasSetToZeroCount = (what: string | number): string => `It was set to zero: count from ${String(what)}`;
export const itStandsBesideCountFrom = (what: string | number): string => `It stands beside: count from ${String(what)}`;
export const countFrom = (what: string | number): string => `Count from ${String(what)}`;
