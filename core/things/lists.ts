/** What a thing can serve as. */
export const USES = [
  "send",
  "implement",
  "target",
  "marker",
  "blocker",
  "net",
  "tee",
  "ramp",
  "prop",
  "token",
  "letters",
  "padding",
  "sides",
] as const;
export type Use = (typeof USES)[number];
/** How a thing may be sent: it rolls (ground), it slides flat, it is thrown. */
export const MOVES = ["ground", "slide", "air"] as const;
export type Move = (typeof MOVES)[number];
/** Where in a home it is looked for; the survey follows room. */
export const ROOMS = ["kitchen", "living", "bedroom", "bathroom", "hall", "outside", "made"] as const;
export type Room = (typeof ROOMS)[number];
/** What touches the floor when it slides. */
export const MATERIALS = ["fabric", "plastic", "wood", "metal", "paper", "rubber", "ceramic"] as const;
export type Material = (typeof MATERIALS)[number];
export const SOURCE_ESTIMATED = "estimated";

/** Bounds of a household thing: metres, kilograms. */
export const LARGEST_THING = 5;
export const HEAVIEST_THING = 80;
/** Nobody has more of one thing than this at hand. */
export const MAX_OF_ONE = 99;
export const MAX_MINUTES_TO_MAKE = 120;
