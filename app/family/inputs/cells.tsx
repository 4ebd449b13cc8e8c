import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { Grid } from "./grid.tsx";
import type { InputProps } from "./input.ts";
import type { Pieces } from "./zones.tsx";

/** Where a piece rests: tap the square. */
export default function Cells({
  aim,
  data,
  act,
  pieces,
}: InputProps<AskOf<"send">> & { aim: AimOf<"cells">; pieces: Pieces }) {
  return <Grid places={aim.among} data={data} pieces={pieces} pick={(rest) => act({ kind: "send", rest })} />;
}
