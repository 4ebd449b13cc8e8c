import type { GamePart } from "./contract.ts";
import type { Match } from "./match.ts";

/** The settings around a document's pattern. Documents from earlier versions lack some. */
interface Said {
  match: Match;
  family: NonNullable<GamePart["family"]>;
  setOut?: GamePart["setOut"];
  between?: GamePart["between"];
}
/** What the rules need in addition to the pattern and its parameters. */
export const matchSettingsOf = (said: Said): Pick<GamePart, "family" | "setOut" | "between"> & { match: Match } => ({
  match: said.match,
  family: said.family,
  ...(said.setOut && { setOut: said.setOut }),
  ...(said.between && { between: said.between }),
});
