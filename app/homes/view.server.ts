import type { HomeOfChild, HomeRow } from "#server/homes/homes.ts";
import { type ItemNames, itemName, sayList } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { type Clock, when } from "../when.ts";

/** What a row of the Homes page says, in words. */
export type HomeView = ReturnType<typeof homeView>;

/** The filters of the page, by what they leave. */
export const SIGNS = ["silent", "part", "indoors", "short", "noBall", "quiet", "alone", "support", "linkOff"] as const;
export type Sign = (typeof SIGNS)[number];

const BALLS = ["softBall", "smallBall", "largeBall", "beachBall", "hollowBall", "bouncyBall"];
/** A space shorter than this is short, metres. */
const SHORT = 3;
const answersIn = (home: HomeOfChild) => [home.kit, home.space, home.players].filter((x) => x !== null).length;

/** Which filters keep a row. */
const HAS: Record<Sign, (row: HomeRow) => boolean> = {
  silent: (row) => row.homes.every((home) => answersIn(home) === 0),
  part: (row) => row.homes.some((home) => answersIn(home) > 0 && answersIn(home) < 3),
  indoors: (row) =>
    row.homes.some((home) => home.space) && row.homes.every((home) => !home.space || home.space.indoors),
  short: (row) => row.homes.some((home) => home.space && home.space.length < SHORT),
  noBall: (row) => row.homes.some((home) => home.kit && !BALLS.some((ball) => home.kit![ball])),
  quiet: (row) => row.homes.some((home) => home.quiet),
  alone: (row) => row.homes.some((home) => home.players === 1),
  support: (row) => row.support !== "" || row.familyNote !== "",
  linkOff: (row) => row.token === null,
};

/** The items that people look for first. */
const FIRST = [
  "softBall",
  "smallBall",
  "largeBall",
  "bucket",
  "box",
  "basket",
  "string",
  "tape",
  "chalk",
  "broom",
  "bottle",
  "cushion",
];
const AT_A_GLANCE = 5;

export function homeView(row: HomeRow, names: ItemNames, clock: Clock) {
  const siblings = [...new Set(row.homes.flatMap((home) => home.siblings))];
  return {
    childId: row.childId,
    child: row.child,
    age: row.age,
    siblings: siblings.length > 0 ? sayList(siblings) : "",
    homes: row.homes.map((home) => ({
      id: home.id,
      space: home.space,
      spaceText: home.space
        ? `${label(`space.${home.space.kind}`)}, ${home.space.length} × ${home.space.width} m, ${label(`floor.${home.space.floor}`)}`
        : "",
      area: home.space ? home.space.length * home.space.width : null,
      glance: home.kit
        ? FIRST.filter((id) => home.kit![id])
            .slice(0, AT_A_GLANCE)
            .map((id) => ({ id, name: itemName(id, names) }))
        : [],
      kinds: home.kit ? Object.keys(home.kit).length : null,
      players: home.players,
    })),
    facts: [
      row.homes.some((home) => home.quiet) && "quiet",
      row.homes.some((home) => home.noBallsIndoors) && "no balls indoors",
      row.leftHanded && "left-handed",
    ].filter((fact) => fact !== false),
    notes: [row.support, row.familyNote].filter(Boolean),
    survey: row.homes.some((home) => home.answeredAt)
      ? ("answered" as const)
      : row.asked === 0
        ? ("notAsked" as const)
        : ("asked" as const),
    asked:
      row.asked === 0 || !row.askedAt
        ? ""
        : `asked ${row.asked === 1 ? "once" : `${row.asked} times`}, ${when(row.askedAt, clock)}`,
    token: row.token,
    signs: SIGNS.filter((sign) => HAS[sign](row)),
  };
}
