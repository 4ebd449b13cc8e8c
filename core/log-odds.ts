/** Log-odds of a chance between 0 and 1, both excluded. */
export const logit = (chance: number): number => Math.log(chance / (1 - chance));
/** The chance, 0 to 1, of log-odds. */
export const logistic = (odds: number): number => 1 / (1 + Math.exp(-odds));
