import type { GamePart } from "./contract.ts";
import type { Match } from "./match.ts";

/** What a document says around its pattern; documents kept from earlier versions lack the later ones. */
interface Said {
  match: Match;
  family: NonNullable<GamePart["family"]>;
  setOut?: GamePart["setOut"];
  between?: GamePart["between"];
}
/** What the rules run on beside the pattern and its parameters. */
export const matchSettingsOf = (said: Said): Pick<GamePart, "family" | "setOut" | "between"> & { match: Match } => ({
  match: said.match,
  family: said.family,
  ...(said.setOut && { setOut: said.setOut }),
  ...(said.between && { between: said.between }),
});
