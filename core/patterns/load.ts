import type { AnyPattern } from "../contract/contract.ts";
import type { PatternName } from "./registry.ts";

/** One pattern by itself: a device that plays it gets no other. Complete by the compiler. */
const loaders: Record<PatternName, () => Promise<unknown>> = {
  climb: async () => (await import("./climb/index.ts")).climb,
  bands: async () => (await import("./bands/index.ts")).bands,
  pins: async () => (await import("./pins/index.ts")).pins,
  threeLine: async () => (await import("./three-line/index.ts")).threeLine,
  tally: async () => (await import("./tally/index.ts")).tally,
  sweep: async () => (await import("./sweep/index.ts")).sweep,
  board: async () => (await import("./board/index.ts")).board,
  stackUp: async () => (await import("./stack-up/index.ts")).stackUp,
  streak: async () => (await import("./streak/index.ts")).streak,
  closest: async () => (await import("./closest/index.ts")).closest,
  passLadder: async () => (await import("./pass-ladder/index.ts")).passLadder,
  speller: async () => (await import("./speller/index.ts")).speller,
  rally: async () => (await import("./rally/index.ts")).rally,
  goals: async () => (await import("./goals/index.ts")).goals,
  swapSquare: async () => (await import("./swap-square/index.ts")).swapSquare,
  bases: async () => (await import("./bases/index.ts")).bases,
  checklist: async () => (await import("./checklist/index.ts")).checklist,
};

/** The pattern of a name; RangeError where there is none. */
export async function loadPattern(name: string): Promise<AnyPattern> {
  if (!Object.hasOwn(loaders, name))
    throw new RangeError(`pattern.name: "${name}" is not one of ${Object.keys(loaders)}`);
  return (await loaders[name as PatternName]()) as AnyPattern;
}
