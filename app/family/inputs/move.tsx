import { useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import { PieceShape } from "../screens/yard-map.tsx";
import { Grid } from "./grid.tsx";
import type { Act } from "./input.ts";
import { Zones } from "./zones.tsx";

/** Reports which piece was moved by another one, and where it is now. */
export function Move({
  ask,
  data,
  name,
  close,
  act,
}: {
  ask: AskOf<"move">;
  data: CardData;
  name: (i: number) => string;
  close: () => void;
  act: Act;
}) {
  const [piece, setPiece] = useState<number | null>(null);
  return (
    <div className="grid gap-2.5">
      <p className="text-lg font-bold">{say(piece === null ? "play.whichPiece" : "play.whereNow")}</p>
      {piece === null ? (
        <div className="grid grid-cols-3 gap-2.5">
          {ask.pieces.map((eachPiece) => (
            <button
              key={eachPiece.piece}
              type="button"
              className="grid min-h-20 justify-items-center rounded-md border-2 border-ink p-2"
              onClick={() => setPiece(eachPiece.piece)}
            >
              <svg viewBox="0 0 30 30" width="30" height="30" aria-hidden="true">
                <PieceShape shape={eachPiece.player} cx={15} cy={15} />
              </svg>
              {say("play.piece", { number: eachPiece.piece + 1, name: name(eachPiece.player) })}
            </button>
          ))}
        </div>
      ) : (
        <Places
          data={data}
          places={ask.places}
          pick={(place) => {
            act({ kind: "move", piece, place });
            close();
          }}
        />
      )}
      <button type="button" className="btn min-h-12 short:min-h-9" onClick={close}>
        {say("play.back")}
      </button>
    </div>
  );
}

/** The places as they lie on the floor: squares of a grid, or bands. */
function Places({ places, data, pick }: { places: readonly string[]; data: CardData; pick: (place: string) => void }) {
  return data.card.parts.some((part) => part.kind === "cell" && places.includes(part.id)) ? (
    <Grid places={places} data={data} pick={pick} />
  ) : (
    <Zones zones={places} data={data} pick={pick} />
  );
}
