/** What the controls of WhyEarly say. */
export const whyItGoesAllTheSame = 'Why it goes all the same';
export const waitForIt = 'Wait for it';
