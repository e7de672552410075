/** What the controls of RoomControl say. */
export const roomTemperatureChange = (what: string | number): string => `Room temperature ${String(what)}, change`;
export const measured = 'measured';
export const byHand = 'by hand';
export const howWarmIsTheRoom = 'How warm is the room?';
export const room = 'Room';
export const setIt = 'Set it';
export const letTheThermometerSay = 'Let the thermometer say';
export const leaveIt = 'Leave it';
