import type { Card } from "#core/compile/card.ts";
import { say } from "#words/say.ts";
import "#words/set-up.ts";
import { countsAs } from "./set-up-screen.tsx";

const BALL = "M0 0m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0";
const YES = "M-6 1l4 5 8-11";
const NO = "M-5 -5l10 10M5 -5l-10 10";
/**
 * The picture for each way of counting: what counts (a tick) and what does not (a cross). Each has an item, and the
 * place of the ball.
 */
const PICTURES = {
  touch: [
    { yes: true, thing: "M30 12h18v30H30z", ball: [23, 36] },
    { yes: false, thing: "M30 12h18v30H30z", ball: [62, 36] },
  ],
  into: [
    { yes: true, thing: "M22 16l5 26h22l5-26", ball: [38, 34] },
    { yes: false, thing: "M22 16l5 26h22l5-26", ball: [16, 36] },
  ],
  through: [
    { yes: true, thing: "M22 42V14M54 42V14", ball: [38, 36] },
    { yes: false, thing: "M22 42V14M54 42V14", ball: [14, 36] },
  ],
  topple: [
    { yes: true, thing: "M20 42l26 -8 3 8z", ball: [12, 36] },
    { yes: false, thing: "M32 12h10v30H32z", ball: [24, 36] },
  ],
  zone: [
    { yes: true, thing: "M18 10v34M58 10v34", ball: [38, 27] },
    { yes: false, thing: "M18 10v34M58 10v34", ball: [66, 27] },
  ],
  cell: [
    { yes: true, thing: "M18 8h36v36H18z", ball: [36, 26] },
    { yes: false, thing: "M18 8h36v36H18z", ball: [64, 26] },
  ],
} as const;

/** Shows what counts in this game, as a picture with a sentence. Nothing if the game has no targets. */
export function CountsPicture({ card }: { card: Card }) {
  const target = card.parts.find((part) => part.kind === "target");
  const kind =
    target?.kind === "target"
      ? countsAs(target.rule)
      : card.parts.some((part) => part.kind === "zone")
        ? "zone"
        : card.parts.some((part) => part.kind === "cell")
          ? "cell"
          : null;
  if (kind === null || card.unaimed) return null;
  const pictures =
    kind === "both"
      ? [PICTURES.touch[0], PICTURES.into[0]]
      : kind === "touchThrough"
        ? [PICTURES.touch[0], PICTURES.through[0]]
        : PICTURES[kind];
  return (
    <div>
      <h2>{say("sheet.counts")}</h2>
      <div className="flex gap-[3mm]">
        {pictures.map((picture) => (
          <svg
            key={`${picture.thing} ${picture.ball.join()}`}
            viewBox="0 0 76 60"
            className="w-[24mm]"
            aria-hidden="true"
          >
            <g fill="none" stroke="var(--color-night)" strokeWidth="2" strokeLinejoin="round" strokeLinecap="round">
              <path d="M4 44h68" strokeDasharray="2 4" />
              <path d={picture.thing} />
              <path d={BALL} transform={`translate(${picture.ball[0]} ${picture.ball[1]})`} fill="var(--color-night)" />
              <path d={picture.yes ? YES : NO} transform="translate(38 53)" strokeWidth="2.6" />
            </g>
          </svg>
        ))}
      </div>
      <p>
        {say(kind === "zone" ? "setup.counts.zone" : kind === "cell" ? "setup.counts.cell" : `setup.counts.${kind}`)}
      </p>
    </div>
  );
}
