import { random } from "#core/forecast/random.ts";
import type { HomeSpace } from "#core/records/play.ts";
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
/** Sisters and brothers share a home; one child has two. */
const SIBLINGS: readonly (readonly string[])[] = [
  ["Ilse P.", "Aoife P."],
  ["Odette R.", "Calla R."],
  ["Maru K.", "Dmitri K."],
  ["Jory S.", "Greta S."],
  ["Tobin A.", "Bastian A."],
];
const TWO_HOMES = "Wren H.";

const SPACES: readonly (HomeSpace | null)[] = [
  { kind: "corridor", length: 3, width: 1.5, floor: "boards", indoors: true },
  { kind: "room", length: 4.2, width: 3.4, floor: "carpet", indoors: true },
  { kind: "garden", length: 9, width: 6, floor: "grass", indoors: false },
  { kind: "corridor", length: 5.6, width: 1.4, floor: "tile", indoors: true },
  { kind: "yard", length: 14, width: 4, floor: "paving", indoors: false },
  null,
  { kind: "room", length: 5, width: 2.6, floor: "boards", indoors: true },
  { kind: "garden", length: 6, width: 5, floor: "grass", indoors: false },
  { kind: "room", length: 3.6, width: 3, floor: "carpet", indoors: true },
];

export function tidewell(): SchoolFile {
  const draw = random(20261);
  const homes: SchoolFile["homes"] = [];
  const homeOf = new Map<string, string[]>();
  const settle = (names: readonly string[], more = "") => {
    const label = `${names[0]!.split(" ")[0]}'s home${more}`;
    homes.push({
      label,
      space: SPACES[homes.length % SPACES.length]!,
      players: draw() < 0.1 ? null : 1 + Math.floor(draw() * 5),
    });
    for (const n of names) homeOf.set(n, [...(homeOf.get(n) ?? []), label]);
  };
  const all = [...HERON, ...OTTER].map(([name]) => name);
  for (const s of SIBLINGS) settle(s);
  for (const name of all) if (!homeOf.has(name)) settle([name]);
  homes.push({ label: "Wren's weekend home", space: SPACES[4]!, players: 2 });
  homeOf.set(TWO_HOMES, [...homeOf.get(TWO_HOMES)!, "Wren's weekend home"]);
  const children = (list: typeof HERON) =>
    list.map(([name, age, left]) => ({ name, age, leftHanded: left ?? false, homes: homeOf.get(name)! }));
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
