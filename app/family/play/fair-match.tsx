import { useState } from "react";
import type { Role } from "#core/contract/contract.ts";
import { MANY_TIES } from "#core/contract/people.ts";
import type { Fair } from "#core/fair/fair.ts";
import { say } from "#words/say.ts";
import { useFair } from "../../ui/use-fair.ts";
import type { CardData } from "../card/card-data.ts";

/** The ages to choose from for the other players. Nothing else is asked, and the answer stays on the device. */
const AGES = [4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, "adult"] as const;

/** Works out how to make the match fair from the ages of the players. */
export function FairMatch({
  data,
  names,
  chosen,
}: {
  data: CardData;
  names: readonly string[];
  chosen: (people: readonly Role[]) => void;
}) {
  const { making, activity } = data.card;
  const [ages, setAges] = useState<readonly (number | "adult")[]>([]);
  const [found, setFound] = useState<Fair | null>(null);
  const fair = useFair();
  const mine = making?.child ?? { age: Math.round((activity.ages.from + activity.ages.to) / 2) };
  const who = names.map((_, i) => (i === 0 ? mine : { age: ages[i] ?? ("adult" as const) }));
  const percent = (wins: readonly number[]) => wins.map((win) => Math.round(100 * win)).join(" : ");
  return (
    <div className="grid gap-2 rounded-md border-2 border-chalk/30 p-3">
      {names.slice(1).map((name, k) => (
        <label key={`age${k + 1}`} className="flex items-center justify-between gap-3 text-base">
          {say("fair.age", { name })}
          <select
            className="text-ink"
            value={String(ages[k + 1] ?? "adult")}
            onChange={(event) => {
              const next = names.map((_, i) => ages[i] ?? ("adult" as const));
              next[k + 1] = event.target.value === "adult" ? "adult" : Number(event.target.value);
              setAges(next);
              setFound(null);
            }}
          >
            {AGES.map((age) => (
              <option key={age} value={age}>
                {age === "adult" ? say("fair.adult") : age}
              </option>
            ))}
          </select>
        </label>
      ))}
      {fair.state === "working" ? (
        <p className="flex items-center justify-between gap-3" role="status">
          {say("fair.working")}
          <button type="button" className="btn min-h-11 border-chalk text-chalk" onClick={fair.stop}>
            {say("fair.stop")}
          </button>
        </p>
      ) : (
        <button
          type="button"
          className="btn min-h-12 border-mustard text-chalk"
          onClick={() =>
            fair.find({ activity, who, items: data.items }, (eachFair) => {
              setFound(eachFair);
              chosen(eachFair.people);
            })
          }
        >
          {say("fair.find")}
        </button>
      )}
      {fair.state === "failed" && <p role="alert">{say("fair.failed")}</p>}
      {found && (
        <p role="status" className="text-base">
          {say("fair.told", { before: percent(found.before), after: percent(found.after) })}{" "}
          {found.fair ? "" : say("fair.nearest")}{" "}
          {found.ties >= MANY_TIES && say("fair.ties", { ties: Math.round(100 * found.ties) })}
        </p>
      )}
    </div>
  );
}
