import { useState } from "react";
import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";
import Targets from "./targets.tsx";

/**
 * One tap says which of several targets was hit, or that none was. Targets that no longer count can still be tapped.
 * Those that were taken away keep their places, so that the others stay where they are under the finger.
 */
export default function AnyOf({
  aim,
  places,
  data,
  act,
  mending,
}: InputProps<AskOf<"send">> & { aim: AimOf<"any">; places: readonly string[] }) {
  const [others, setOthers] = useState(false);
  const gone = places.filter((id) => !aim.want.includes(id));
  const spent = aim.among.filter((id) => !aim.want.includes(id));
  const hit = (id: string | null) => {
    setOthers(false);
    act({ kind: "send", hit: id });
  };
  if (others)
    return (
      <>
        <p className="text-lg font-bold">{say("play.which")}</p>
        <Targets ids={spent} data={data} pick={hit} keys={false} />
        <button type="button" className="btn min-h-11" onClick={() => setOthers(false)}>
          {say("play.back")}
        </button>
      </>
    );
  return (
    <>
      {spent.length > 0 && (
        <button type="button" className="btn min-h-12 short:min-h-9" onClick={() => setOthers(true)}>
          {say("play.crossedOut")}
        </button>
      )}
      <Targets ids={places} gone={gone} data={data} pick={hit} miss keys={!mending} worth={aim.worth} />
    </>
  );
}
