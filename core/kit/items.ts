/**
 * The simple kit list: enough household things for a roll, a slide or a throw at home. Sizes in metres, masses in kilograms;
 * all estimated. Names are message keys `item.<id>`; drawings carry the same id.
 */
export const FLOORS = ["carpet", "boards", "tile", "grass", "paving"] as const;
export type Floor = (typeof FLOORS)[number];

export interface SendItem {
  id: string;
  diameter: number;
  mass: number;
  /** Spread beside an easy object of the same action. */
  handling: number;
  /** How far it runs or slides on past a target, metres, by floor. */
  runOn: Record<Floor, number>;
  /** Share of the hard-floor reach, by floor. */
  keeps: Record<Floor, number>;
  /** Slides flat, or rolls, or both; thrown things always may. */
  moves: readonly ("ground" | "slide" | "air")[];
  cautions: readonly Caution[];
}
export interface TargetItem {
  id: string;
  width: number;
  height: number;
  /** Round opening, if it can catch. */
  opening?: number;
  cautions: readonly Caution[];
}
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
] as const;
export type Caution = (typeof CAUTIONS)[number];

const soft = { carpet: 0.15, boards: 0.35, tile: 0.4, grass: 0.1, paving: 0.3 };
const runs = { carpet: 1.2, boards: 2.6, tile: 3, grass: 0.9, paving: 2.8 };
const slips = { carpet: 0.1, boards: 0.6, tile: 0.7, grass: 0.05, paving: 0.25 };
const rollKeeps = { carpet: 0.75, boards: 1, tile: 1, grass: 0.6, paving: 1 };
const bundleKeeps = { carpet: 0.72, boards: 0.82, tile: 0.85, grass: 0.6, paving: 0.75 };
const slideKeeps = { carpet: 0.3, boards: 1, tile: 1, grass: 0.15, paving: 0.5 };

export const sendItems: readonly SendItem[] = [
  {
    id: "sockBall",
    diameter: 0.08,
    mass: 0.07,
    handling: 1,
    runOn: soft,
    keeps: bundleKeeps,
    moves: ["ground", "slide", "air"],
    cautions: [],
  },
  {
    id: "paperBall",
    diameter: 0.07,
    mass: 0.02,
    handling: 1.12,
    runOn: soft,
    keeps: bundleKeeps,
    moves: ["ground", "air"],
    cautions: [],
  },
  {
    id: "softBall",
    diameter: 0.12,
    mass: 0.09,
    handling: 0.97,
    runOn: runs,
    keeps: rollKeeps,
    moves: ["ground", "air"],
    cautions: [],
  },
  {
    id: "smallBall",
    diameter: 0.065,
    mass: 0.058,
    handling: 1.02,
    runOn: runs,
    keeps: rollKeeps,
    moves: ["ground", "air"],
    cautions: [],
  },
  {
    id: "largeBall",
    diameter: 0.2,
    mass: 0.25,
    handling: 1.08,
    runOn: runs,
    keeps: rollKeeps,
    moves: ["ground"],
    cautions: ["outdoorsOnly"],
  },
  {
    id: "jarLid",
    diameter: 0.08,
    mass: 0.012,
    handling: 1.05,
    runOn: slips,
    keeps: slideKeeps,
    moves: ["slide"],
    cautions: ["grownUpYes"],
  },
  {
    id: "coaster",
    diameter: 0.1,
    mass: 0.05,
    handling: 1,
    runOn: slips,
    keeps: slideKeeps,
    moves: ["slide"],
    cautions: [],
  },
  {
    id: "foldedCloth",
    diameter: 0.12,
    mass: 0.08,
    handling: 1.08,
    runOn: slips,
    keeps: slideKeeps,
    moves: ["slide", "air"],
    cautions: [],
  },
];
export const targetItems: readonly TargetItem[] = [
  { id: "bucket", width: 0.28, height: 0.28, opening: 0.26, cautions: [] },
  { id: "box", width: 0.3, height: 0.22, opening: 0.26, cautions: [] },
  { id: "saucepan", width: 0.2, height: 0.12, opening: 0.19, cautions: ["grownUpYes"] },
  { id: "tin", width: 0.08, height: 0.11, cautions: ["grownUpYes"] },
  { id: "bottle", width: 0.08, height: 0.28, cautions: [] },
  { id: "book", width: 0.2, height: 0.27, cautions: ["steady"] },
  { id: "cushion", width: 0.4, height: 0.35, cautions: [] },
  { id: "chair", width: 0.42, height: 0.45, cautions: ["steady"] },
  { id: "shoe", width: 0.1, height: 0.1, cautions: [] },
  { id: "basket", width: 0.38, height: 0.45, opening: 0.36, cautions: [] },
  { id: "cup", width: 0.09, height: 0.1, opening: 0.08, cautions: ["grownUpYes"] },
  { id: "rollTube", width: 0.05, height: 0.1, cautions: [] },
];
/** Things that mark a line on the floor; message keys `item.<id>`. */
export const markerItems = ["string", "tape", "sock", "towel", "broom"] as const;
export const blockerItems = ["shoe", "cushion", "book", "bottle"] as const;

export const sendItem = (id: string): SendItem | undefined => sendItems.find((i) => i.id === id);
export const targetItem = (id: string): TargetItem | undefined => targetItems.find((i) => i.id === id);
