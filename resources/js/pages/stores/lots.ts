/** Why a lot is not trusted, the same on every screen. */
export const doubts: Record<string, string> = {
    lid_off: 'its lid was left off',
    crystals: 'crystals in it: warm it through before use',
    frozen: 'it was frozen',
};

/** How often something went through the pot. */
export const melted = (times: number): string => (times === 1 ? 'once' : `${String(times)} times`);
