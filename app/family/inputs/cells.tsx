import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { Grid } from "./grid.tsx";
import type { InputProps } from "./input.ts";
import type { Pieces } from "./zones.tsx";

/** The player taps the square where the object came to rest. */
export default function Cells({
  aim,
  data,
  act,
  pieces,
}: InputProps<AskOf<"send">> & { aim: AimOf<"cells">; pieces: Pieces }) {
  return <Grid places={aim.among} data={data} pieces={pieces} pick={(rest) => act({ kind: "send", rest })} />;
}

/** The player taps one of their own pieces to pick it up. */
export const Lift = ({ ask, data, act, pieces }: InputProps<AskOf<"choose">> & { pieces: Pieces }) => (
  <Grid
    places={ask.options}
    data={data}
    pieces={pieces}
    outside={false}
    take
    pick={(pick) => act({ kind: "choose", of: ask.of, pick })}
  />
);
