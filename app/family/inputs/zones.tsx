import type { Ask, AskOf } from "#core/asks/ask.ts";
import { askOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import { PieceShape } from "../screens/yard-map.tsx";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

export type Pieces = AskOf<"move">["pieces"];
/** The pieces that lie on the floor now. */
export const piecesIn = (asks: readonly Ask[]): Pieces => askOf(asks, "move")?.pieces ?? [];

/** The player taps the band where the piece stopped. */
export const Rest = ({
  ask,
  zones,
  data,
  act,
  pieces,
}: InputProps<AskOf<"send">> & { zones: readonly string[]; pieces: Pieces }) => (
  <>
    <Zones zones={zones} data={data} pieces={pieces} pick={(rest) => act({ kind: ask.kind, rest })} />
    <Keys of="places" />
  </>
);

/** The player chooses a blocker, or none. */
export const Choose = ({ ask, data, act, pieces }: InputProps<AskOf<"choose">> & { pieces: Pieces }) => (
  <>
    <Zones zones={ask.options} data={data} pieces={pieces} pick={(pick) => act({ kind: "choose", of: ask.of, pick })} />
    <button
      type="button"
      className="btn min-h-12 short:min-h-9 text-lg"
      onClick={() => act({ kind: "choose", of: ask.of, pick: null })}
    >
      {say("play.noBlocker")}
    </button>
  </>
);

export function zoneName(zone: string): string {
  return zone === "short" ? say("play.short") : say("play.overLine");
}

/**
 * The bands as they lie on the floor, far ones at the top. The player taps the one where the piece stopped. The arrow
 * keys move between them.
 */
export function Zones({
  zones,
  data,
  pick,
  pieces = [],
}: {
  zones: readonly string[];
  data: CardData;
  pick: (zone: string) => void;
  /** The pieces that lie there, drawn where they lie. */
  pieces?: readonly { piece: number; player: number; place: string | null }[];
}) {
  const far = [...zones].reverse();
  return (
    <div
      className="grid grow gap-1.5 flat:gap-1"
      role="group"
      onKeyDown={(event) => {
        if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
        const all = [...event.currentTarget.querySelectorAll("button")];
        const at = all.indexOf(document.activeElement as HTMLButtonElement);
        all[Math.min(all.length - 1, Math.max(0, at + (event.key === "ArrowUp" ? -1 : 1)))]?.focus();
        event.preventDefault();
      }}
    >
      {far.map((id) => {
        const zone = data.card.parts.find((part) => part.kind === "zone" && part.id === id);
        const points = zone?.kind === "zone" ? zone.points : null;
        return (
          <button
            key={id}
            type="button"
            onClick={() => pick(id)}
            className={`flex min-h-11 items-center short:min-h-9 flat:min-h-7 flat:text-base justify-between rounded-sm border-[3px] px-4 text-xl font-bold active:scale-[0.99] ${points === null ? "border-dashed border-night bg-rose text-night" : "border-night bg-mint text-night"}`}
          >
            <span>{points === null ? zoneName(id) : say("play.points", { points })}</span>
            <span className="flex items-center gap-1" aria-hidden="true">
              {pieces
                .filter((piece) => piece.place === id)
                .map((piece) => (
                  <svg key={piece.piece} viewBox="0 0 26 26" width="26" height="26" aria-hidden="true">
                    <PieceShape shape={piece.player} cx={13} cy={13} />
                  </svg>
                ))}
            </span>
          </button>
        );
      })}
    </div>
  );
}
