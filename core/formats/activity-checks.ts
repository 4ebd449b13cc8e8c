import type { z } from "zod";
import { type Action, actionFacts, isSend } from "../actions/actions.ts";
import { type AimKind, fromLine } from "../asks/ask.ts";
import { MAX_NEARER, SET_OUT_FIELD } from "../contract/contract.ts";
import { match } from "../contract/match-schema.ts";
import { fieldOf } from "../contract/range.ts";
import { hasField, withSetting } from "../contract/settings.ts";
import { LINE_FIELD, standingKnobs } from "../contract/standing.ts";
import { inTwoHomes } from "../contract/two-homes.ts";
import { exerciseOf } from "../exercises/library.ts";
import { EXTRA_OBJECTS, type ObjectRole } from "../kit/extra-objects.ts";
import { itemIn } from "../kit/known-items.ts";
import { laidParts } from "../yard/layouts/laid.ts";
import { boundsOf, partsOf, reachOfLayout } from "../yard/parts.ts";
import { type Activity, BEHIND_START, EXERCISE_LISTS } from "./activity-shape.ts";
import { PICTURES } from "./answers.ts";
import { type Opened, opened } from "./opened.ts";

/** Points and hits of two sides are recorded as a whole, not attempt by attempt. */
const FOUGHT = new Set<AimKind>(["point", "goal", "bat"]);
/** A skill is done, not aimed at a target. */
const UNSENT = new Set<AimKind>([...FOUGHT, "skill"]);

/** Whether the game has single attempts, so that an exercise can come between them. */
export const sendsOneByOne = (a: Pick<Activity, "pattern">): boolean =>
  opened(a as Activity).probes.some((probe) => probe.ask.kind === "send" && !FOUGHT.has(probe.ask.aim.kind));

/** The roles of the objects that take turns in the game, or are called. */
function turnsIn({ pattern: { params } }: Pick<Activity, "pattern">): readonly ObjectRole[] {
  if ("stages" in params) return params.stages.map((stage) => stage.thing ?? "send");
  if (!("things" in params) || !Array.isArray(params.things)) return [];
  return "choice" in params && params.choice !== "thing" ? [] : params.things;
}
/** Every action of the game: the main one, and those that take turns with it or are called. */
export const actionsIn = (activity: Activity): readonly Action[] => [
  activity.aim.action,
  ...("ways" in activity.pattern.params &&
  !("choice" in activity.pattern.params && activity.pattern.params.choice !== "action")
    ? (activity.pattern.params.ways ?? [])
    : []),
];

/** Whether the child can set out the targets: each must be an item of its own, in front of one line. */
export const canSetOut = (activity: Activity): boolean => {
  const { pegs, pattern } = opened(activity);
  return pattern.ground.moves === "each" && pegs.length > 0 && pegs.every((peg) => peg.kind === "target" && !peg.many);
};

/** Reports a problem at a field of the document. */
type Report = (path: readonly (string | number)[], message: string) => void;

/** What the schema alone cannot say: fields that must agree with each other, with the game, and with the space. */
export function checkActivity(activity: Activity, ctx: z.RefinementCtx): void {
  const report: Report = (path, message) => ctx.addIssue({ code: "custom", path: [...path], message });
  if (!checkKit(activity, report)) return;
  checkExercises(activity, report);
  checkQuestion(activity, report);
  const game = opened(activity);
  checkAction(activity, game, report);
  checkSetOut(activity, game, report);
  checkPlayers(activity, game, report);
  checkSettings(activity, game, report);
  for (const { path, message } of game.pattern.problems(activity.pattern.params, activity.match))
    report(path[0] === "params" ? ["pattern", ...path] : path, message);
  checkSpace(activity, game, report);
}

/** The objects exist and can be thrown, rolled or kicked. False: without one, nothing else can be checked. */
function checkKit(activity: Activity, report: Report): boolean {
  if (!itemIn(activity.kit, activity.kit.send)?.uses.includes("send")) {
    report(["kit", "send"], "choose an object from the list that can be thrown, rolled or kicked");
    return false;
  }
  activity.kit.others.forEach((id, i) => {
    if (!itemIn(activity.kit, id)?.uses.includes("send"))
      report(
        ["kit", "others", i],
        `object ${i + 2} must be an item from the list that can be thrown, rolled or kicked`,
      );
  });
  const missing = turnsIn(activity).find(
    (role) => role !== "send" && EXTRA_OBJECTS.indexOf(role) >= activity.kit.others.length,
  );
  if (missing) {
    const number = EXTRA_OBJECTS.indexOf(missing as (typeof EXTRA_OBJECTS)[number]) + 2;
    report(["pattern", "params", "things"], `there is no object ${number} yet. Add it in Kit.`);
  }
  return true;
}

function checkExercises(activity: Activity, report: Report): void {
  for (const field of Object.keys(EXERCISE_LISTS) as (keyof typeof EXERCISE_LISTS)[])
    activity[field].forEach((id, i) => {
      if (!exerciseOf(id, activity.exercises))
        report([field, i], `${EXERCISE_LISTS[field]} must come from the library of exercises, or from your own`);
    });
}

function checkQuestion(activity: Activity, report: Report): void {
  if (activity.answers && activity.question === "")
    report(["question"], "the question needs a text, because it has answers");
  activity.answers?.list.forEach(({ picture }, i) => {
    if (!itemIn(activity.kit, picture) && !(PICTURES as readonly string[]).includes(picture))
      report(
        ["answers", "list", i, "picture"],
        `there is no picture "${picture}". Use an item from the list, or one of ${PICTURES.join(", ")}.`,
      );
  });
}

/** The game can be played with this action, and so can what was added to it: a ramp, a bounce, an exercise between. */
function checkAction(activity: Activity, { pattern, probes }: Opened, report: Report): void {
  if (!pattern.actions(activity.aim.action))
    report(["aim", "action"], `${pattern.name} cannot be played with ${activity.aim.action}`);
  const unsaid = (probe: (typeof probes)[number]) =>
    probe.ask.kind === "send" && !UNSENT.has(probe.ask.aim.kind) && probe.ask.manner.action === undefined;
  if (!isSend(activity.aim.action) && probes.some(unsaid))
    report(
      ["pattern", "params", "ways"],
      `no list of actions is possible here, because ${activity.aim.action} has no single attempts`,
    );
  if (activity.ramp && activity.aim.action !== "underarmRoll")
    report(["ramp"], "only a rolled object goes down a ramp");
  if (
    activity.off &&
    activity.off !== "wall" &&
    actionsIn(activity).some((action) => actionFacts[action].travel !== "air")
  )
    report(["off"], "only a thrown object can touch the floor or a table first");
  if (activity.off === "wall" && !probes.some((probe) => fromLine(probe.ask) && probe.ask.aim.kind !== "rebound"))
    report(["off"], `in ${pattern.name}, no target is hit by way of a wall`);
  if (activity.between && !sendsOneByOne(activity))
    report(["between"], `in ${pattern.name}, there are no single attempts to put an exercise between`);
}

function checkSetOut(activity: Activity, { pattern }: Opened, report: Report): void {
  if (!activity.setOut) return;
  if (!canSetOut(activity)) report(["setOut", "near"], `${pattern.name} has no targets for the child to set out`);
  if (activity.setOut.far > activity.space.length)
    report(
      ["setOut", "far"],
      `the farthest distance must be ${activity.space.length} m or less, the length of the space`,
    );
  if (activity.setOut.width > activity.space.width)
    report(["setOut", "width"], `the width must be ${activity.space.width} m or less, the width of the space`);
}

function checkPlayers(activity: Activity, { pattern }: Opened, report: Report): void {
  const modes = activity.players.modes.filter((mode) => !pattern.modes.includes(mode));
  if (modes.length > 0)
    report(["players", "modes"], `${pattern.name} can be played ${pattern.modes.join(", ")}, not ${modes.join(", ")}`);
  if (activity.players.call && !inTwoHomes(pattern, { params: activity.pattern.params, match: activity.match }, true))
    report(["players", "call"], `in ${pattern.name} both sides share the same items, so it cannot be played on a call`);
}

/** What the family may change, and what levels change, exists in this game and takes these values. */
function checkSettings(activity: Activity, { pattern }: Opened, report: Report): void {
  const game = { params: activity.pattern.params, match: activity.match };
  const standing = standingKnobs(pattern, activity.pattern.params);
  const knobOf = (field: string) => standing.find((knob) => fieldOf(knob) === field);
  const lacks = (field: string) => !knobOf(field) && (field.startsWith("standing.") || !hasField(game, field));
  const plays = (set: typeof game) =>
    pattern.params.safeParse(set.params).success && match.safeParse(set.match).success;
  const allowed = (field: string, value: string | number | boolean): boolean => {
    const knob = knobOf(field);
    const most = knob?.kind === "number" && field !== LINE_FIELD ? knob.most : MAX_NEARER;
    if (knob?.kind === "number" && !(typeof value === "number" && value >= knob.least && value <= most)) return false;
    return plays(withSetting(game, { field, value }));
  };
  activity.family.forEach(({ field, values }, i) => {
    if (lacks(field)) report(["family", i], `this game has no ${field} for the family to choose`);
    else if (!values.every((value) => allowed(field, value)))
      report(["family", i], `not every value of ${field} is allowed in this game`);
  });
  for (const [i, setting] of (activity.levels?.list ?? []).entries()) {
    const tell = (field: string, message: string) => report(["levels", "list", i, field], `level ${i + 1}: ${message}`);
    const mustBe = (field: "thing" | "target", use: "send" | "target") => {
      const id = setting[field];
      if (id !== null && !itemIn(activity.kit, id)?.uses.includes(use))
        tell(
          field,
          `${field} must be an item from the list that can be ${use === "send" ? "thrown, rolled or kicked" : "a target"}`,
        );
    };
    mustBe("thing", "send");
    mustBe("target", "target");
    if (
      setting.action !== null &&
      !(isSend(setting.action) === isSend(activity.aim.action) && pattern.actions(setting.action))
    )
      tell("action", `${pattern.name} cannot be played this way`);
    const there = setting.settings.filter(({ field }) => field !== LINE_FIELD && !lacks(field));
    for (const eachSetting of setting.settings)
      if (!there.includes(eachSetting)) tell("settings", `this game has no ${eachSetting.field}`);
    // A value that is not allowed alone can be allowed with the others: a lowest number together with its highest.
    const together = plays(there.reduce(withSetting<typeof game>, game));
    const alone = there.filter((s) => !allowed(s.field, s.value));
    const wrong = together ? alone.filter((s) => knobOf(s.field)) : alone.length > 0 ? alone : there;
    for (const s of wrong) tell("settings", `${s.field} cannot be ${JSON.stringify(s.value)} in this game`);
  }
}

/** Everything lies inside the space; the area for setting out reports its own problems. */
function checkSpace(activity: Activity, { parts, pegs }: Opened, report: Report): void {
  const { length, width } = activity.space;
  const beyond = (along: number) => along > length + 1e-9;
  const beside = (aside: number) => aside > width / 2 + 1e-9;
  pegs.forEach((peg, i) => {
    if (beyond(peg.distance))
      report(
        ["pattern", "params", "peg", peg.id],
        `${peg.kind} ${i + 1} at ${peg.distance} m is outside the space, which is ${length} m long`,
      );
  });
  const far = reachOfLayout(parts.filter((part) => part.id !== SET_OUT_FIELD));
  if (beyond(far) && !pegs.some((peg) => beyond(peg.distance)))
    report(["space", "length"], `the layout needs ${far.toFixed(2)} m, but the space is ${length} m long`);
  for (const target of partsOf(parts, "target"))
    if (beside(Math.abs(target.across) + target.width / 2))
      report(
        ["pattern", "params", "peg", target.id],
        `${target.label} is ${Math.abs(target.across)} m to the side, outside the space, which is ${width} m wide`,
      );
  if (!activity.layout) return;
  const { along, across } = boundsOf(laidParts(activity.layout));
  const aside = Math.max(-across[0], across[1]);
  const { name } = activity.layout;
  if (beyond(along[1]))
    report(["layout"], `layout ${name} reaches ${along[1].toFixed(2)} m, but the space is ${length} m long`);
  if (along[0] < -BEHIND_START)
    report(
      ["layout"],
      `layout ${name} starts ${(-along[0]).toFixed(2)} m behind the start line; ${BEHIND_START} m is the most`,
    );
  if (beside(aside))
    report(["layout"], `layout ${name} reaches ${aside.toFixed(2)} m to the side, but the space is ${width} m wide`);
}
