import { setTo } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { label } from "#words/teacher.ts";
import { same } from "./paths.ts";

/** What the parts of a document are called, the telling ones first. A change of the action may bring another object. */
const PARTS: readonly (readonly [name: string, of: (activity: Activity) => unknown])[] = [
  ["title", (a) => a.title],
  ["action", (a) => a.aim.action],
  ["outcome", (a) => a.aim.outcome],
  ["standards", (a) => a.aim.standards],
  ["other actions", (a) => a.aim.also],
  ["ages", (a) => a.ages],
  ["cues", (a) => a.cues],
  ["success criteria", (a) => a.criteria],
  ["what to watch for", (a) => a.watch],
  ["question", (a) => [a.question, a.answers]],
  ["reflection", (a) => a.reflection],
  ["warm-up and cool-down", (a) => [a.warmUp, a.coolDown, a.rounds]],
  ["exercise between attempts", (a) => a.between],
  ["weekly goal", (a) => a.week],
  ["levels", (a) => a.levels],
  ["layout beside the game", (a) => a.layout],
  ["space", (a) => a.space],
  ["setting out", (a) => a.setOut],
  ["unit on the card", (a) => a.counted],
  ["what is behind", (a) => a.behind],
  ["first touch", (a) => [a.off, a.wall]],
  ["ramp", (a) => a.ramp],
  ["players", (a) => a.players],
  ["what the family may change", (a) => a.family],
];
const LATER: typeof PARTS = [
  ["items", (a) => a.kit],
  ["minutes", (a) => a.minutes],
];

/** The change of a line or target, if one was added, taken away, moved or made of something else. */
function pegChange(was: Activity, now: Activity): string | null {
  const [before, after] = [opened(was).pegs, opened(now).pegs];
  const noun = (after[0] ?? before[0])?.kind === "line" ? "line" : "target";
  if (after.length !== before.length) return after.length > before.length ? `new ${noun}` : `removed ${noun}`;
  const place = ({ parts }: ReturnType<typeof opened>, id: string) =>
    parts.flatMap((part) =>
      part.kind === "target" && (part.group ?? part.id) === id ? [part.along, part.across] : [],
    );
  const moved = after.flatMap((peg, i) =>
    before[i]?.distance !== peg.distance || !same(place(opened(was), peg.id), place(opened(now), peg.id))
      ? [i + 1]
      : [],
  );
  if (moved.length > 0) return moved.length === 1 ? `move of ${noun} ${moved[0]}` : `move of ${moved.length} ${noun}s`;
  const swapped = after.findIndex((peg, i) => before[i]?.item !== peg.item);
  return swapped < 0 ? null : `item of ${noun} ${swapped + 1}`;
}

/** What a step of the history changed, in a few words: `title`, `move of target 2`, `time limit`. */
export function changeName(was: Activity, now: Activity): string {
  const differs = ([, of]: (typeof PARTS)[number]) => !same(of(was), of(now));
  const part = PARTS.find(differs);
  if (part) return part[0];
  const peg = pegChange(was, now);
  if (peg) return peg;
  const game = (activity: Activity) => ({ params: activity.pattern.params, match: activity.match });
  const knob = opened(now)
    .knobs()
    .find((each) => !same(setTo(each, game(was)), setTo(each, game(now))));
  if (knob)
    return label(knob.label)
      .replace(/[:?]$/, "")
      .replace(/^./, (letter) => letter.toLowerCase());
  return LATER.find(differs)?.[0] ?? "last change";
}
