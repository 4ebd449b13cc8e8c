import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { InputProps } from "./input.ts";

/** The amount of a task: a height, a time or a distance. */
function amount(t: NonNullable<AskOf<"choose">["does"]>[number]): string {
  if (t.seconds !== undefined) return say("doing.seconds", { seconds: t.seconds });
  if (t.metres !== undefined) return say("doing.far", { metres: t.metres });
  return t.height === undefined ? "" : say("doing.high", { metres: t.height });
}

/** Tasks with their pictures. A tap chooses one, or ticks it. */
export default function Tasks({ ask, act }: InputProps<AskOf<"choose">>) {
  return (
    <ul className="grid max-h-[56dvh] gap-2 overflow-y-auto short:max-h-[50dvh] short:grid-cols-2 short:gap-1.5 flat:max-h-[60dvh]">
      {ask.does!.map((doe, i) => (
        <li key={ask.options[i]}>
          <button
            type="button"
            className="flex min-h-14 w-full items-center gap-3 rounded-xl short:gap-1 border-[3px] border-night bg-mint px-3 py-1 text-left short:px-1.5 text-night active:scale-[0.99] short:min-h-11"
            onClick={() => act({ kind: "choose", of: ask.of, pick: ask.options[i]! })}
          >
            <ItemDrawing item={`do-${doe.id}`} className="short:w-7" />
            <span className="grid grow leading-tight">
              <span className="text-xl font-bold short:text-sm">{say(`doing.${doe.id}`)}</span>
              <span className="text-base short:text-xs">{amount(doe)}</span>
            </span>
            <span className="shrink-0 text-lg font-bold short:text-sm whitespace-nowrap">
              {say("doing.times", { done: doe.done, times: doe.times })}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
