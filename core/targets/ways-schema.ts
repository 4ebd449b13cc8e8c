import { z } from "zod";
import { OBJECT_ROLES } from "../kit/extra-objects.ts";
import { BARE, MAX_WAYS } from "./bare-ways.ts";

/** Actions that take turns, word by word or mark by mark. Empty means the activity's own action. */
export const ways = z
  .array(z.enum(BARE, { error: `a way must be one of ${BARE.join(", ")}` }))
  .max(MAX_WAYS, `at most ${MAX_WAYS} actions`)
  .default([]);
export const objectRole = z.enum(OBJECT_ROLES, { error: `thing must be one of ${OBJECT_ROLES.join(", ")}` });
/** Objects that take turns, word by word or mark by mark. Empty means always the same object. */
export const things = z.array(objectRole).max(MAX_WAYS, `at most ${MAX_WAYS} objects`).default([]);
