import type { GameSettings } from "./contract.ts";
import type { Match } from "./match.ts";

/** The settings around a document's pattern. Documents from earlier versions lack some. */
interface Said {
  match: Match;
  family: NonNullable<GameSettings["family"]>;
  setOut?: GameSettings["setOut"];
  between?: GameSettings["between"];
}
/** What the rules need in addition to the pattern and its parameters. */
export const matchSettingsOf = (
  said: Said,
): Pick<GameSettings, "family" | "setOut" | "between"> & { match: Match } => ({
  match: said.match,
  family: said.family,
  ...(said.setOut && { setOut: said.setOut }),
  ...(said.between && { between: said.between }),
});
