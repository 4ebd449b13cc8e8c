import type { Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { PatternName } from "./registry.ts";
import { patternNames } from "./registry.ts";

/** Parameters that differ from those of the example, and the match; all of it valid. */
export type PossibleCase = { match?: Partial<Match>; [param: string]: unknown };
export interface LongestCase {
  params: object;
  match?: object;
  setup: Setup;
  /** A drop keeps it longer than a count. */
  drops?: true;
}
interface Cases {
  possible: readonly PossibleCase[];
  longest: LongestCase;
}

const folderOf = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
/** The cases of every pattern, from its own folder. */
export const casesOf = Object.fromEntries(
  await Promise.all(
    patternNames.map(async (name) => [name, (await import(`./${folderOf(name)}/cases.test-utils.ts`)) as Cases]),
  ),
) as Record<PatternName, Cases>;
