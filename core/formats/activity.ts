import { z } from "zod";
import type { GameSettings } from "../contract/contract.ts";
import { matchSettingsOf } from "../contract/match-settings.ts";
import { extraObjects } from "../kit/extra-objects.ts";
import { type PatternName, patternOf } from "../patterns/registry.ts";
import { partsOf } from "../yard/parts.ts";
import { checkActivity } from "./activity-checks.ts";
import { ACTIVITY_FORMAT, ACTIVITY_VERSION, type Activity, activityShape } from "./activity-shape.ts";
import { documentNow } from "./before.ts";
import { opened } from "./opened.ts";
import { type Problem, problemsOf, repeated } from "./problems.ts";

export { actionsIn, canSetOut, sendsOneByOne } from "./activity-checks.ts";
export {
  ACTIVITY_FORMAT,
  ACTIVITY_VERSION,
  type Activity,
  BEHIND,
  HELPERS,
  LOW_POSTURES,
  MAX_FAMILY,
  MAX_GOAL,
  MAX_LEVELS,
} from "./activity-shape.ts";
/**
 * The activity document: everything that a teacher decides. Distances in metres. Its JSON Schema is
 * `schemas/activity-2.schema.json`.
 */
export const activity = activityShape.superRefine(checkActivity);

export { type Problem, problemsOf };
export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/**
 * Reads an activity from parsed JSON. A document of another format or version is reported as such, before anything
 * else is checked.
 */
export function parseActivity(json: unknown): Parsed<Activity> {
  if (typeof json !== "object" || json === null || Array.isArray(json))
    return { ok: false, problems: [{ field: "document", message: "an activity is a JSON object" }] };
  const doc = documentNow(json);
  const { format, version } = doc as { format?: unknown; version?: unknown };
  if (format !== ACTIVITY_FORMAT)
    return {
      ok: false,
      problems: [{ field: "format", message: `format must be "${ACTIVITY_FORMAT}", not ${repeated(format)}` }],
    };
  if (version !== ACTIVITY_VERSION)
    return {
      ok: false,
      problems: [
        {
          field: "version",
          message: `this document has version ${repeated(version)}; this program reads versions 1 and ${ACTIVITY_VERSION}`,
        },
      ],
    };
  const done = activity.safeParse(doc);
  return done.success ? { ok: true, value: done.data } : { ok: false, problems: problemsOf(done.error) };
}

/** The JSON Schema of the document. Checks that compare several fields are only in the code. */
export function activitySchema(): unknown {
  return z.toJSONSchema(activityShape, { target: "draft-2020-12", io: "input" });
}

/** A new activity from a pattern's own example. */
export function fromPattern(name: PatternName): Activity {
  const { example, modes } = patternOf(name);
  return activity.parse({
    format: ACTIVITY_FORMAT,
    version: ACTIVITY_VERSION,
    title: example.title,
    ages: { from: 6, to: 8 },
    aim: { action: example.action, outcome: "", standards: [] },
    cues: [],
    criteria: [],
    watch: [],
    warmUp: [],
    between: null,
    exercises: [],
    coolDown: [],
    rounds: 1,
    week: null,
    question: "",
    answers: null,
    kit: {
      send: example.send,
      marker: "string",
      blocker: "shoe",
      implement: example.implement ?? null,
      others: [],
      roles: [],
      own: [],
    },
    space: example.space,
    behind: example.behind ?? "open",
    pattern: { name, params: example.params },
    match: example.match,
    players: { least: 1, most: 4, modes: [...modes] },
    layout: null,
    setOut: null,
    reflection: [],
    caution: "",
    minutes: 10,
  });
}

/** The ids of all items that an activity mentions. */
export function itemsIn(givenActivity: Activity): Set<string> {
  const targets = partsOf(opened(givenActivity).parts, "target").map((target) => target.item);
  const { send, marker, blocker, implement } = givenActivity.kit;
  const onLevels = (givenActivity.levels?.list ?? [])
    .flatMap((setting) => [setting.thing, setting.target])
    .filter((text) => text !== null);
  return new Set([
    send,
    ...onLevels,
    marker,
    blocker,
    ...(implement ? [implement] : []),
    ...extraObjects(givenActivity),
    ...targets,
    ...(givenActivity.layout ? [givenActivity.layout.item] : []),
  ]);
}

/** The part of an activity that the rules need. */
export const gameSettingsOf = (givenActivity: Activity): GameSettings => ({
  ...givenActivity.pattern,
  ...matchSettingsOf(givenActivity),
});
