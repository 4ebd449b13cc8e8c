/** Raised whenever the same activity and child could get other figures. Stored beside every stored figure. */
export const MODEL_VERSION = 6;
