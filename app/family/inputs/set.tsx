import { useEffect, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import type { AnyPattern } from "#core/contract/contract.ts";
import { loadPattern } from "#core/patterns/load.ts";
import { say } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { choosable, FamilySet } from "../play/family-set.tsx";
import type { InputProps } from "./input.ts";

/** What was left to the family, changed until something has happened. */
export function SetPanel({
  ask,
  data,
  act,
  close,
}: Pick<InputProps<AskOf<"set">>, "ask" | "data" | "act"> & { close: () => void }) {
  const [pattern, set] = useState<AnyPattern | null>(null);
  const { activity } = data.card;
  useEffect(() => void loadPattern(activity.pattern.name).then(set), [activity.pattern.name]);
  return (
    <>
      <h2 data-heading className="text-xl">
        {say("set.title")}
      </h2>
      {pattern && (
        <FamilySet
          list={choosable(activity, pattern)}
          now={ask.now}
          attempt={attemptWords(activity.aim.action)}
          step={data.card.step}
          set={(field, value) => act({ kind: "set", field, value })}
        />
      )}
      <button type="button" className="btn btn-main min-h-12 short:min-h-9" onClick={close}>
        {say("set.done")}
      </button>
    </>
  );
}
