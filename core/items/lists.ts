/** What an item can be used as. */
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
/** How an item can be sent: rolled (ground), slid flat, or thrown. */
export const MOVES = ["ground", "slide", "air"] as const;
export type Move = (typeof MOVES)[number];
/** Where in a home it is usually found. The survey goes by room. */
export const ROOMS = ["kitchen", "living", "bedroom", "bathroom", "hall", "outside", "made"] as const;
export type Room = (typeof ROOMS)[number];
/** The material that touches the floor when it slides. */
export const MATERIALS = ["fabric", "plastic", "wood", "metal", "paper", "rubber", "ceramic"] as const;
export type Material = (typeof MATERIALS)[number];
export const SOURCE_ESTIMATED = "estimated";

/** The limits of a household item: metres, kilograms. */
export const LARGEST_ITEM = 5;
export const HEAVIEST_ITEM = 80;
/** The most of one item that a home can have. */
export const MAX_OF_ONE = 99;
export const MAX_MINUTES_TO_MAKE = 120;
