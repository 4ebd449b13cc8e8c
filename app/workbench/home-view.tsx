import { memo, useMemo, useState } from "react";
import type { SchoolItems } from "#core/compile/card.ts";
import type { HomeFacts } from "#core/compile/for-home.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { Letting } from "#core/yard/fit.ts";
import { namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { Select } from "../ui/field.tsx";
import { RoomPlan } from "../ui/room-plan.tsx";
import { useHomeFit } from "./use-forecast.ts";

export interface HomeChoice {
  child: string;
  age: number;
  facts: HomeFacts;
}
/** A made-up room that most layouts do not fit: an L with a sofa, a glass door and a stair. */
export const TIGHT: HomeFacts = {
  id: "tight",
  label: "a smaller space",
  kit: null,
  players: null,
  quiet: false,
  noBallsIndoors: false,
  space: {
    kind: "room",
    length: 4.2,
    width: 2.6,
    floor: "boards",
    indoors: true,
    ceiling: 2.3,
    outline: [
      { x: 0, y: 0 },
      { x: 4.2, y: 0 },
      { x: 4.2, y: 1.6 },
      { x: 2.4, y: 1.6 },
      { x: 2.4, y: 2.6 },
      { x: 0, y: 2.6 },
    ],
    obstacles: [
      { kind: "furniture", x: 0, y: 2, width: 1.4, depth: 0.6 },
      { kind: "door", x: 4.1, y: 0.3, width: 0.1, depth: 0.9 },
      { kind: "stairs", x: 2, y: 2.2, width: 0.4, depth: 0.4 },
    ],
  },
};

/** Describes the single change that would make the home ready. */
export function letText(letting: Letting): string {
  switch (letting.kind) {
    case "fewer":
      return "one target fewer";
    case "clearAway":
      return "clearing some space";
    case "runsLess":
      return "something that rolls less far";
    case "backstop":
      return "a backstop";
    case "otherSpace":
      return `another space of ${letting.length} m`;
  }
}

/**
 * The activity in one home of the class: where it lies there, what was changed and why, or what would make it
 * possible.
 */
export const HomeView = memo(function HomeView({
  activity,
  homes,
  items,
}: {
  activity: Activity;
  homes: readonly HomeChoice[];
  items: SchoolItems;
}) {
  const [id, setId] = useState(TIGHT.id);
  const at = homes.find((home) => home.facts.id === id);
  const facts = at?.facts ?? TIGHT;
  const age = at?.age ?? Math.round((activity.ages.from + activity.ages.to) / 2);
  const made = useHomeFit(activity, facts, items, age);
  const names = useMemo(() => namesOf([...items.own, ...activity.kit.own]), [items.own, activity.kit.own]);
  const place = made && made.home === facts.id ? made.place : null;
  return (
    <section className="mt-4" aria-label="In a child's home">
      <h3 className="text-base">In a child's home</h3>
      <label className="row-line flex items-center justify-between gap-3 py-2 text-[0.92rem]">
        Home of
        <Select className="min-w-0" value={at ? id : TIGHT.id} onChange={(event) => setId(event.target.value)}>
          <option value={TIGHT.id}>{TIGHT.label}</option>
          {homes.map((home) => (
            <option key={home.facts.id} value={home.facts.id}>
              {home.child}
              {home.facts.space ? `, ${home.facts.space.length} × ${home.facts.space.width} m` : ", no answer"}
            </option>
          ))}
        </Select>
      </label>
      {!facts.space && <p className="py-2 text-sm text-quiet">This home has not told us where it plays.</p>}
      {facts.space && made && made.home === facts.id && (
        <div className="grid gap-2 pt-2" data-fit={place?.status ?? "none"}>
          <RoomPlan
            space={facts.space}
            parts={made.parts}
            placement={place?.placement ?? null}
            label={`The space of ${at?.child ?? facts.label}, to scale, with the layout in it`}
            wide={292}
            tall={220}
          />
          <p role="status" className="text-sm">
            <strong>{label(`fit.${place?.status ?? "none"}`)}</strong>
            {place?.status === "none" &&
              (place.proved
                ? `: it needs ${place.shortest.toFixed(1)} m, and the longest line is ${place.longest.toFixed(1)} m`
                : `: no place found, because ${label(`trouble.${place.trouble ?? "outside"}`)}`)}
            {place?.noWall && ". There is no wall behind the target, so lean it on something"}
            {place?.backstop && ". Put something behind it to stop what rolls on"}
          </p>
          {made.changes.length > 0 && (
            <ul className="list-disc pl-5 text-sm text-quiet">
              {made.changes.map((change) => (
                <li key={JSON.stringify(change)}>{sayPhrase(change, names)}</li>
              ))}
            </ul>
          )}
          {place?.status === "none" && place.lets.length > 0 && (
            <p className="text-sm">It would fit with {place.lets.map(letText).join(", or ")}.</p>
          )}
        </div>
      )}
    </section>
  );
});
