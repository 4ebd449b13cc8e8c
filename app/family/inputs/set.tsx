import { useEffect, useState } from "react";
import type { AskOf } from "#core/asks/ask.ts";
import { say } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { Choosable } from "../play/choosable.ts";
import { FamilySet } from "../play/family-set.tsx";
import { loadGame } from "../play/load-game.ts";
import type { InputProps } from "./input.ts";

/** The settings that were left to the family. They can be changed until the first attempt. */
export function SetPanel({
  ask,
  data,
  act,
  close,
}: Pick<InputProps<AskOf<"set">>, "ask" | "data" | "act"> & { close: () => void }) {
  const [choices, setChoices] = useState<readonly Choosable[]>([]);
  const { activity } = data.card;
  useEffect(() => void loadGame(activity).then((game) => setChoices(game.choices)), [activity]);
  return (
    <>
      <h2 data-heading className="text-xl">
        {say("set.title")}
      </h2>
      <FamilySet
        list={choices}
        now={ask.now}
        attempt={attemptWords(activity.aim.action)}
        step={data.card.step}
        set={(field, value) => act({ kind: "set", field, value })}
      />
      <button type="button" className="btn btn-main min-h-12 short:min-h-9" onClick={close}>
        {say("set.done")}
      </button>
    </>
  );
}
