import { useEffect, useState } from "react";
import type { AimOf, AskOf } from "#core/asks/ask.ts";
import { say, targetName } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { InputProps } from "./input.ts";
import { Keys } from "./keys.tsx";

/**
 * HIT and MISS differ in shape, sign and word. The space bar or the left arrow key means hit; the right arrow key
 * means miss.
 */
export function HitOrMiss({ aim, data, act, mending }: InputProps<AskOf<"send">> & { aim: AimOf<"any"> }) {
  const [which, setWhich] = useState(false);
  const [want] = aim.want;
  const others = aim.among.filter((text) => !aim.want.includes(text));
  useEffect(() => {
    if (mending) return;
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.repeat) return;
      const space = event.key === " " && !(event.target instanceof HTMLButtonElement);
      if (space) event.preventDefault();
      if (space || event.key === "ArrowLeft") act({ kind: "send", hit: want });
      if (event.key === "ArrowRight") act({ kind: "send", hit: null });
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [act, want, mending]);
  if (which)
    return (
      <div className="grid gap-2.5">
        <p className="text-lg font-bold">{say("play.which")}</p>
        <div className="grid grid-cols-3 gap-2.5">
          {others.map((id) => {
            const part = data.card.parts.find((eachPart) => eachPart.kind === "target" && eachPart.id === id);
            return (
              <button
                key={id}
                type="button"
                className="grid min-h-24 justify-items-center rounded-md border-2 border-ink p-2"
                onClick={() => {
                  setWhich(false);
                  act({ kind: "send", hit: id });
                }}
              >
                <ItemDrawing item={part?.kind === "target" ? part.item : ""} />
                {part?.kind === "target" ? targetName(part) : id}
              </button>
            );
          })}
          <button type="button" className="btn min-h-24" onClick={() => setWhich(false)}>
            {say("play.back")}
          </button>
        </div>
      </div>
    );
  return (
    <>
      <div className="grid grow grid-cols-2 gap-3.5">
        <button
          type="button"
          className="grid min-h-32 content-center short:min-h-20 short:[&_svg]:size-8 justify-items-center gap-2 rounded-[5rem] border-4 border-night bg-mint text-night active:scale-[0.98]"
          onClick={() => act({ kind: "send", hit: want })}
        >
          <svg viewBox="0 0 60 60" width="64" height="64" aria-hidden="true">
            <path
              d="M12 32l13 14 24-32"
              fill="none"
              stroke="currentColor"
              strokeWidth="8"
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          </svg>
          <span className="text-3xl font-bold">{say("play.hit")}</span>
        </button>
        <button
          type="button"
          className="grid min-h-32 content-center short:min-h-20 short:[&_svg]:size-8 justify-items-center gap-2 rounded-md border-4 border-night bg-rose text-night active:scale-[0.98]"
          onClick={() => act({ kind: "send", hit: null })}
        >
          <svg viewBox="0 0 60 60" width="64" height="64" aria-hidden="true">
            <g fill="none" stroke="currentColor" strokeWidth="5">
              <circle cx="22" cy="38" r="13" />
              <path d="M34 8c8 3 14 10 16 18" strokeDasharray="2 8" strokeLinecap="round" />
            </g>
            <circle cx="51" cy="34" r="6" fill="currentColor" />
          </svg>
          <span className="text-3xl font-bold">{say("play.miss")}</span>
        </button>
      </div>
      {!mending && <Keys of="any" />}
      {others.length > 0 && (
        <button type="button" className="btn min-h-12 short:min-h-9" onClick={() => setWhich(true)}>
          {say("play.other")}
        </button>
      )}
    </>
  );
}
