import type { AimKind, AimOf } from "../asks/ask.ts";
import { any } from "./any.ts";
import { bat } from "./bat.ts";
import { cells } from "./cells.ts";
import { chase } from "./chase.ts";
import { course } from "./course.ts";
import { fall } from "./fall.ts";
import { goal } from "./goal.ts";
import { keep } from "./keep.ts";
import type { KindOf } from "./kind.ts";
import { keepKind } from "./loaded-kinds.ts";
import { jack, near } from "./near.ts";
import { over, point } from "./rally.ts";
import { rebound } from "./rebound.ts";
import { receive } from "./receive.ts";
import { shuttle } from "./shuttle.ts";
import { skill } from "./skill.ts";
import { zones } from "./zones.ts";

/** The meaning of each kind of aim; importing this file loads all of them. The compiler checks that the list is complete. */
const kinds: { [K in AimKind]: KindOf<AimOf<K>> } = {
  any,
  zones,
  cells,
  fall,
  keep,
  skill,
  shuttle,
  course,
  chase,
  receive,
  near,
  jack,
  rebound,
  over,
  point,
  goal,
  bat,
};

for (const [kind, meaning] of Object.entries(kinds)) keepKind(kind as AimKind, meaning as never);
