import { z } from "zod";
import { THING_ROLES } from "../kit/extra-objects.ts";
import { BARE, MAX_WAYS } from "./bare-ways.ts";

/** Ways that take turns, in their order: word by word, mark by mark; none: as the activity says. */
export const ways = z
  .array(z.enum(BARE, { error: `a way must be one of ${BARE.join(", ")}` }))
  .max(MAX_WAYS, `at most ${MAX_WAYS} actions`)
  .default([]);
export const thingRole = z.enum(THING_ROLES, { error: `thing must be one of ${THING_ROLES.join(", ")}` });
/** Things that take turns, in their order: word by word, mark by mark; none: always the one thing. */
export const things = z.array(thingRole).max(MAX_WAYS, `at most ${MAX_WAYS} objects`).default([]);
