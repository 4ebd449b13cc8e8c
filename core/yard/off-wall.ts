import { type Part, partsOf, reachOfLayout } from "./parts.ts";

/** The part that is the wall which something is sent off first. */
export const WALL_PART = "offWall";
/** The wall stands so far behind what is farthest unless it is said, metres. */
export const WALL_GAP = 0.6;
/** As much of a wall as is looked for, metres: how wide, and how high its middle is. */
const LOOKED_FOR = { width: 1, up: 0.5 } as const;

/** The wall that something is sent off, so far behind the farthest of these parts. */
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
 * A layout as the player off its wall sees it: everything but the lines to send from mirrored in the wall, so that a send is as long as the way
 * to the wall and back, and meets first what stands nearest to the wall. The same list where there is no such wall. That the wall gives back
 * speed and direction is an assumption; see docs/model.md.
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
