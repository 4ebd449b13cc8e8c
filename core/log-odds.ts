/** Log-odds of a chance between 0 and 1, both excluded. */
export const logit = (p: number): number => Math.log(p / (1 - p));
/** The chance, 0 to 1, of log-odds. */
export const logistic = (odds: number): number => 1 / (1 + Math.exp(-odds));
