import type { AimKind, AimOf } from "../asks/ask.ts";
import type { KindOf } from "./kind.ts";
import { keepKind } from "./loaded-kinds.ts";

/** Loads the meaning of one kind of aim. The compiler checks that the list is complete. */
const loaders: { [K in AimKind]: () => Promise<KindOf<AimOf<K>>> } = {
  any: async () => (await import("./any.ts")).any,
  zones: async () => (await import("./zones.ts")).zones,
  cells: async () => (await import("./cells.ts")).cells,
  fall: async () => (await import("./fall.ts")).fall,
  keep: async () => (await import("./keep.ts")).keep,
  skill: async () => (await import("./skill.ts")).skill,
  shuttle: async () => (await import("./shuttle.ts")).shuttle,
  course: async () => (await import("./course.ts")).course,
  chase: async () => (await import("./chase.ts")).chase,
  receive: async () => (await import("./receive.ts")).receive,
  near: async () => (await import("./near.ts")).near,
  jack: async () => (await import("./near.ts")).jack,
  rebound: async () => (await import("./rebound.ts")).rebound,
  over: async () => (await import("./rally.ts")).over,
  point: async () => (await import("./rally.ts")).point,
  goal: async () => (await import("./goal.ts")).goal,
  bat: async () => (await import("./bat.ts")).bat,
};

/** Loads the meaning of a kind of aim and makes it known. */
export async function loadKind<K extends AimKind>(kind: K): Promise<void> {
  keepKind(kind, (await loaders[kind]()) as KindOf<AimOf<K>>);
}
