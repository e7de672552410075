/** What the controls of Observations say. */
export const whatThisClockRestsOn = 'What this clock rests on';
export const observationsOf = (name: string | number): string => `Observations of ${String(name)}`;
export const takeItBackIn = 'Take it back in';
export const leaveItOut = 'Leave it out';
