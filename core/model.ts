/** Raised whenever the same activity and child could be given other figures; kept beside every figure that is stored. */
export const MODEL_VERSION = 6;
