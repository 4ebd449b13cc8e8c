/** Message keys `caution.<id>`. */
export const CAUTIONS = [
  "clearSpace",
  "nothingBreakable",
  "dryFloor",
  "shoesOrBareFeet",
  "ceiling",
  "outdoorsOnly",
  "grownUpYes",
  "doorShut",
  "steady",
  "petsAndToddlers",
  "roads",
  "household",
  "notOnStairs",
  "keepLow",
  "smallParts",
  "cutting",
  "slope",
  "wind",
  "behind",
] as const;
export type Caution = (typeof CAUTIONS)[number];
