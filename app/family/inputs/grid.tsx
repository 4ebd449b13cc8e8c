import { useState } from "react";
import { say } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import { PieceShape } from "../screens/yard-map.tsx";
import { Keys } from "./keys.tsx";
import type { Pieces } from "./zones.tsx";

/**
 * The squares as they lie on the floor, far ones at the top. The player taps the square where the object rests. The
 * arrow keys move between squares.
 */
export function Grid({
  places,
  data,
  pick,
  pieces = [],
  outside = true,
  take = false,
}: {
  places: readonly string[];
  data: CardData;
  pick: (place: string) => void;
  /** Pieces that already lie on the grid. */
  pieces?: Pieces;
  /** The object may also lie outside. */
  outside?: boolean;
  /** The player taps a piece instead of a free square. */
  take?: boolean;
}) {
  const [taken, setTaken] = useState(false);
  const cells = data.card.parts.flatMap((part) => (part.kind === "cell" ? [part] : []));
  const rows = [...new Set(cells.map((cell) => cell.along))].sort((a, b) => b - a);
  const columns = [...new Set(cells.map((cell) => cell.across))].sort((a, b) => a - b);
  const lies = (id: string) => pieces.filter((piece) => piece.place === id);
  return (
    <>
      <div
        className="mx-auto grid w-full max-w-80 gap-1.5 short:max-w-56"
        style={{ gridTemplateColumns: `repeat(${columns.length}, 1fr)` }}
        role="group"
        aria-label={say("play.whereRests")}
        onKeyDown={(event) => {
          const by = { ArrowUp: -columns.length, ArrowDown: columns.length, ArrowLeft: -1, ArrowRight: 1 }[event.key];
          if (by === undefined) return;
          const all = [...event.currentTarget.querySelectorAll("button")];
          all[all.indexOf(document.activeElement as HTMLButtonElement) + by]?.focus();
          event.preventDefault();
        }}
      >
        {rows.flatMap((row) =>
          columns.map((column) => {
            const cell = cells.find((eachCell) => eachCell.along === row && eachCell.across === column)!;
            const here = lies(cell.id);
            // A square that was just tapped is occupied now. Tapping it again is offered beside it, never under the
            // same thumb.
            const may = places.includes(cell.id) && (take || here.length > 0 === taken);
            return (
              <button
                key={cell.id}
                type="button"
                aria-disabled={!may || undefined}
                aria-label={say(here.length > 0 ? "play.cellTaken" : "play.cell", { label: cell.label })}
                className={`grid aspect-square min-h-12 place-items-center rounded-sm border-[3px] border-night text-2xl font-bold text-night aria-disabled:border-dashed short:aspect-auto short:min-h-9 ${here.length > 0 ? "bg-mustard" : "bg-mint"}`}
                onClick={() => {
                  if (!may) return;
                  setTaken(false);
                  pick(cell.id);
                }}
              >
                {here.length > 0 ? (
                  <svg viewBox="0 0 30 30" width="34" height="34" aria-hidden="true">
                    <PieceShape shape={here[0]!.player} cx={15} cy={15} r={12} />
                  </svg>
                ) : (
                  cell.label
                )}
              </button>
            );
          }),
        )}
      </div>
      <Keys of="places" />
      <div className="grid auto-cols-fr grid-flow-col gap-2.5">
        {!take && pieces.some((piece) => piece.place !== null && places.includes(piece.place)) && (
          <button
            type="button"
            className="btn min-h-12 px-1 text-lg leading-tight short:min-h-9"
            aria-pressed={taken}
            onClick={() => setTaken(!taken)}
          >
            {say("play.onTaken")}
          </button>
        )}
        {outside && (
          <button
            type="button"
            className="btn min-h-12 border-dashed px-1 text-lg leading-tight short:min-h-9"
            onClick={() => pick("out")}
          >
            {say("play.outside")}
          </button>
        )}
      </div>
    </>
  );
}
