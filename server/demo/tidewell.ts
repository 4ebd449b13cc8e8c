import type { Item } from "#core/items/item.ts";
import { catalogue, catalogueItem } from "#core/kit/catalogue.ts";
import { random } from "#core/random.ts";
import type { HomeKit, HomeSpace } from "#core/records/home.ts";
import type { SchoolFile } from "../db/school-file.ts";

export const DEMO_EMAIL = "noor.fenwick@tidewell.example";
export const DEMO_SCHOOL = "Tidewell Bridge School";
export const DEMO_PASSWORD = "chalk-and-tape";
/** The child whose private link is printed at the start. */
export const DEMO_CHILD = "Ilse P.";

/** Made-up children, first name and initial. Tuples: name, age, left-handed. */
const HERON: readonly (readonly [string, number, boolean?])[] = [
  ["Ilse P.", 7],
  ["Tobin A.", 6],
  ["Maru K.", 6],
  ["Odette R.", 6, true],
  ["Jory S.", 6],
  ["Amina D.", 6],
  ["Pell W.", 6],
  ["Suri V.", 7],
  ["Caspian L.", 7],
  ["Wren H.", 7],
  ["Dao N.", 7, true],
  ["Fenna B.", 7],
  ["Idris M.", 7],
  ["Kezia O.", 7],
  ["Lorcan T.", 7],
  ["Nuri E.", 7],
  ["Priya G.", 7],
  ["Quill F.", 8],
  ["Rafe J.", 8],
  ["Sabela C.", 8],
  ["Tamsin Y.", 8],
  ["Umar Z.", 8],
  ["Vesna I.", 8],
  ["Willem U.", 8, true],
  ["Yara Q.", 8],
  ["Zeb X.", 8],
  ["Elowen P.", 8],
  ["Brio D.", 8],
];
const OTTER: readonly (readonly [string, number, boolean?])[] = [
  ["Aoife P.", 10],
  ["Bastian A.", 9],
  ["Calla R.", 9],
  ["Dmitri K.", 9, true],
  ["Esme V.", 9],
  ["Farid L.", 9],
  ["Greta S.", 9],
  ["Hamza W.", 9],
  ["Inka M.", 10],
  ["Jonas D.", 10],
  ["Kiri B.", 10],
  ["Leander H.", 10],
  ["Mina T.", 10],
  ["Nilo C.", 10, true],
  ["Orla E.", 10],
  ["Pavel G.", 10],
  ["Rosalind N.", 10],
  ["Sefa O.", 11],
  ["Tariq F.", 11],
  ["Una J.", 11],
  ["Viggo Y.", 11],
  ["Xenia I.", 11],
  ["Yusuf Q.", 11],
  ["Zola U.", 11],
  ["Maxim R.", 11],
  ["Noor A.", 11],
];
/** Siblings share a home. One child has two homes. */
const SIBLINGS: readonly (readonly string[])[] = [
  ["Ilse P.", "Aoife P."],
  ["Odette R.", "Calla R."],
  ["Maru K.", "Dmitri K."],
  ["Jory S.", "Greta S."],
  ["Tobin A.", "Bastian A."],
];
const TWO_HOMES = "Wren H.";
const SUPPORT: Record<string, string> = {
  "Pell W.": "Plays seated; reaches to both sides.",
  "Lorcan T.": "Short tasks, a picture for each step.",
  "Una J.": "Wears a hearing aid: no bell, show the time.",
};

/** How a home differs from typical ones of its kind: items it lacks, and items it certainly has. */
interface Like {
  space: HomeSpace | null;
  /** The share of the usual items that are there. */
  rich: number;
  lacks?: (item: Item) => boolean;
  has?: readonly string[];
  quiet?: boolean;
  noBallsIndoors?: boolean;
}
const rolls = (item: Item) => item.moves.includes("ground") && item.drag !== null && item.drag <= 2;
const outside = (item: Item) => item.room === "outside";
const LIKES: readonly Like[] = [
  // A flat with a short corridor, no ball and no saucepan to spare.
  {
    space: { kind: "corridor", length: 3, width: 1.5, floor: "boards", indoors: true, ceiling: 2.5 },
    rich: 0.75,
    lacks: (item) => rolls(item) || outside(item) || item.id === "saucepan",
    has: ["sock", "string", "box", "bucket", "book", "bottle"],
  },
  // A home with carpet everywhere.
  {
    space: { kind: "room", length: 4.2, width: 3.4, floor: "carpet", indoors: true, ceiling: 2.5 },
    rich: 0.9,
    lacks: outside,
    noBallsIndoors: true,
  },
  // A garden with everything.
  {
    space: { kind: "garden", length: 9, width: 6, floor: "grass", indoors: false },
    rich: 1.2,
    has: ["softBall", "smallBall", "largeBall", "chalk", "bucket", "coaster", "string"],
  },
  {
    space: { kind: "corridor", length: 5.6, width: 1.4, floor: "tile", indoors: true, ceiling: 2.5 },
    rich: 0.85,
    lacks: outside,
  },
  // A yard between houses.
  {
    space: { kind: "yard", length: 14, width: 4, floor: "paving", indoors: false },
    rich: 0.95,
    has: ["chalk", "smallBall"],
  },
  {
    space: { kind: "room", length: 5, width: 2.6, floor: "boards", indoors: true, ceiling: 2.5 },
    rich: 0.95,
    has: ["coaster", "tape"],
  },
  { space: { kind: "garden", length: 6, width: 5, floor: "grass", indoors: false }, rich: 1 },
  // A family that has just moved in, with hardly anything unpacked.
  {
    space: { kind: "room", length: 3.6, width: 3, floor: "carpet", indoors: true, ceiling: 2.2 },
    rich: 0.25,
    lacks: rolls,
  },
  {
    space: { kind: "room", length: 4.6, width: 3.1, floor: "boards", indoors: true, ceiling: 2.5 },
    rich: 0.9,
    has: ["sock", "string"],
    quiet: true,
  },
];
/** The share of families that answered nothing, and of those that described only the space. */
const SILENT = 0.14;
const ONLY_SPACE = 0.08;
const DISC = "foamDisc";

/** An item of the school's own, lent out before the roof leaked. */
export const ownItem: Item = {
  ...catalogueItem("coaster")!,
  id: DISC,
  name: "foam disc",
  drawing: "hairTie",
  room: "living",
  width: 0.14,
  depth: 0.14,
  height: 0.02,
  mass: 0.03,
  softness: 0.9,
  moves: ["slide", "air"],
  material: "rubber",
  noise: 0,
  homes: 0.2,
  count: 3,
  source: "school's own, measured",
};

function kitOf(like: Like, draw: () => number): HomeKit {
  const kit: HomeKit = {};
  for (const item of catalogue) {
    if (item.made || item.always) continue;
    const there = draw() < Math.min(0.99, item.homes * like.rich);
    const few = draw();
    if (like.has?.includes(item.id) || (there && !like.lacks?.(item)))
      kit[item.id] = Math.max(1, Math.round(item.count * (0.5 + few)));
  }
  return kit;
}

export function tidewell(): SchoolFile {
  const draw = random(20261);
  const homes: SchoolFile["homes"] = [];
  const homeOf = new Map<string, string[]>();
  const settle = (names: readonly string[]) => {
    const label = `${names[0]!.split(" ")[0]}'s home`;
    const like = LIKES[homes.length % LIKES.length]!;
    const kit = kitOf(like, draw);
    if (draw() < 0.2) kit[DISC] = 3;
    const answered = homes.length === 0 ? 1 : draw();
    const players = 1 + Math.floor(draw() * 5);
    const silent = answered < SILENT;
    homes.push({
      label,
      space: silent ? null : like.space,
      kit: answered < SILENT + ONLY_SPACE ? null : kit,
      players: silent || draw() < 0.06 ? null : players,
      quiet: !silent && (like.quiet ?? false),
      noBallsIndoors: !silent && (like.noBallsIndoors ?? false),
      answered: !silent,
    });
    for (const name of names) homeOf.set(name, [...(homeOf.get(name) ?? []), label]);
  };
  const all = [...HERON, ...OTTER].map(([name]) => name);
  for (const sibling of SIBLINGS) settle(sibling);
  for (const name of all) if (!homeOf.has(name)) settle([name]);
  // A long yard at a grandparent's home.
  const weekend = "Wren's weekend home";
  const yard: Like = {
    space: { kind: "yard", length: 16, width: 3, floor: "paving", indoors: false },
    rich: 0.8,
    has: ["stone", "bucket", "chalk"],
  };
  homes.push({ label: weekend, space: yard.space, kit: kitOf(yard, draw), players: 2, answered: true });
  homeOf.set(TWO_HOMES, [...homeOf.get(TWO_HOMES)!, weekend]);
  const children = (list: typeof HERON) =>
    list.map(([name, age, left]) => ({
      name,
      age,
      leftHanded: left ?? false,
      homes: homeOf.get(name)!,
      support: SUPPORT[name] ?? "",
    }));
  return {
    school: DEMO_SCHOOL,
    zone: "Europe/London",
    teachers: [
      { email: DEMO_EMAIL, name: "Noor Fenwick", password: DEMO_PASSWORD, classes: ["Heron class", "Otter class"] },
    ],
    homes,
    classes: [
      { name: "Heron class", children: children(HERON) },
      { name: "Otter class", children: children(OTTER) },
    ],
  };
}
