import { extraObjects } from "../kit/extra-objects.ts";
import { partsOf } from "../yard/parts.ts";
import type { Activity } from "./activity-shape.ts";
import { openedPlay } from "./opened-play.ts";

/** The ids of the items that are played with: the objects, the implement, and the targets. */
export const itemsPlayed = (activity: Activity): string[] => {
  const { send, implement } = activity.kit;
  const targets = partsOf(openedPlay(activity).parts, "target").map((target) => target.item);
  return [...new Set([send, ...extraObjects(activity), ...(implement ? [implement] : []), ...targets])];
};
