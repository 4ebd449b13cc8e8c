import { useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import type { InputProps } from "./input.ts";

/** The total: as counted on the screen, or as counted by somebody who had no hand free. */
export default function Total({ ask, act, name, data }: InputProps<AskOf<"total">>) {
  const [text, setText] = useState(String(ask.soFar));
  const [typed, setTyped] = useState("");
  const several = data.card.activity.match.swap === "once";
  const count = /^\d{1,4}$/.test(text.trim()) ? Number(text) : null;
  const change = (by: number) => setText(String(Math.min(ask.most, Math.max(0, (count ?? ask.soFar) + by))));
  const step =
    "grid size-16 shrink-0 place-items-center rounded-full border-[3px] border-night bg-mint text-4xl font-bold text-night";
  return (
    <form
      className="grid grow content-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (count === null || count > ask.most) return setTyped(say("play.totalRange", { most: ask.most }));
        act({ kind: "total", n: count, ...(several && { by: ask.player }) });
      }}
    >
      <label className="text-lg font-bold" htmlFor={`total${ask.player}`}>
        {several ? say("play.howManyOf", { name: name(ask.player) }) : say("play.howMany")}
      </label>
      <div className="flex items-center justify-center gap-3">
        <button type="button" className={step} aria-label={say("play.oneLess")} onClick={() => change(-1)}>
          −
        </button>
        <input
          id={`total${ask.player}`}
          inputMode="numeric"
          className="w-28 text-center text-4xl font-bold"
          value={text}
          onChange={(event) => setText(event.target.value)}
          aria-invalid={typed !== ""}
          aria-describedby={typed ? `told${ask.player}` : undefined}
        />
        <button type="button" className={step} aria-label={say("play.oneMore")} onClick={() => change(1)}>
          +
        </button>
      </div>
      {typed && (
        <p id={`told${ask.player}`} role="alert" className="problem">
          {typed}
        </p>
      )}
      <button type="submit" className="btn btn-main min-h-14 short:min-h-10 text-2xl">
        {say("play.countIt")}
      </button>
    </form>
  );
}
