import { type Part, partsOf, reachOfLayout } from "./parts.ts";

/** The id of the wall that a send must hit first. */
export const WALL_PART = "offWall";
/** How far the wall is behind the farthest part by default, metres. */
export const WALL_GAP = 0.6;
/** The part of a wall that is needed, metres: its width, and the height of its middle. */
const LOOKED_FOR = { width: 1, up: 0.5 } as const;

/** The wall that a send must hit first, this far behind the farthest of these parts. */
export const offWall = (parts: readonly Part[], gap: number): Part => ({
  kind: "obstacle",
  id: WALL_PART,
  item: "wall",
  label: "",
  along: reachOfLayout(parts) + gap,
  across: 0,
  depth: 0.02,
  width: LOOKED_FOR.width,
  base: LOOKED_FOR.up,
});

const seen = new WeakMap<readonly Part[], readonly Part[]>();
/**
 * A layout as the player sees it in the wall: everything except the lines to send from is mirrored, so that a send is
 * as long as the way to the wall and back, and first meets what stands nearest to the wall. The same list if there is
 * no such wall. That the wall returns speed and direction unchanged is an assumption; see docs/model.md.
 */
export function asSeen(parts: readonly Part[]): readonly Part[] {
  const wall = partsOf(parts, "obstacle").find((p) => p.id === WALL_PART);
  if (!wall) return parts;
  let made = seen.get(parts);
  if (!made) {
    const beyond = (along: number) => 2 * wall.along - along;
    made = parts.map((part): Part => {
      if (part === wall || part.kind === "runOn" || (part.kind === "line" && part.role === "start")) return part;
      if (part.kind === "zone") return { ...part, near: beyond(part.far), far: beyond(part.near) };
      if (part.kind === "path") return part;
      return { ...part, along: beyond(part.along) };
    });
    seen.set(parts, made);
  }
  return made;
}
