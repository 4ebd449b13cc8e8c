import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import { fieldOf } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { amountsOf } from "#core/levels/amounts.ts";
import {
  CORRIDOR,
  LEVEL_KNOBS,
  type Level,
  type LevelKnob,
  offered,
  proposeLevels,
  USUAL_KNOBS,
  USUAL_LEVELS,
  wouldDiffer,
} from "#core/levels/levels.ts";
import { useBeside } from "../ui/use-beside.ts";
import type { LevelsWorker } from "../workers/levels.worker.ts";
import { useSchool, withOwn } from "./items.tsx";
import type { PanelProps } from "./stations.ts";

export type Levels = NonNullable<Activity["levels"]>;

const levelsWorker = () => new Worker(new URL("../workers/levels.worker.ts", import.meta.url), { type: "module" });

/** The parts of an activity that decide how often it is finished. */
const PLAYED = ["pattern", "match", "aim", "kit", "space", "setOut", "between"] as const;

/** Returns the list with this change switched on or off. */
const turned = (knobs: readonly LevelKnob[], knob: LevelKnob): LevelKnob[] =>
  LEVEL_KNOBS.filter((other) => (other === knob ? !knobs.includes(knob) : knobs.includes(other)));

/** Suggests levels. By hits, they come at once; by how often the game is finished, a worker computes them. */
export function useLevelProposal({ activity, change, middle }: Pick<PanelProps, "activity" | "change" | "middle">) {
  const { list } = useSchool();
  const { levels } = activity;
  const [knobs, setKnobs] = useState<readonly LevelKnob[]>(USUAL_KNOBS);
  const [count, setCount] = useState(levels?.list.length ?? USUAL_LEVELS);
  const [low, setLow] = useState(100 * (levels?.low ?? CORRIDOR.low));
  const [high, setHigh] = useState(100 * (levels?.high ?? CORRIDOR.high));
  const [field, setField] = useState(
    levels?.of === "end" ? (levels.list.flatMap((setting) => setting.settings)[0]?.field ?? "") : "",
  );
  const [looked, setLooked] = useState(0);
  const [failing, setFailing] = useState<"nothing" | "meanwhile" | "fewer" | "fewerHits" | "noneDiffer" | null>(null);
  const [lets, setLets] = useState<LevelKnob | null>(null);
  const latest = useRef(activity);
  useEffect(() => {
    latest.current = activity;
  });
  const worker = useBeside<LevelsWorker>(levelsWorker);
  const amounts = amountsOf(activity);
  const byEnd = amounts.some((amount) => fieldOf(amount) === field);
  const corridor = { low: low / 100, high: high / 100 };

  function take(made: readonly Level[], of?: "end", on: Activity = activity) {
    const { up = 2, down = 1, stop } = on.levels ?? {};
    const next: Levels = {
      ...(of && { of }),
      ...corridor,
      list: made.map((level) => level.setting),
      up,
      down,
      ...(stop !== undefined && { stop }),
    };
    change(withOwn({ ...on, levels: next }, list));
  }
  function proposeByHits() {
    const plain = { ...activity, levels: null };
    const may = { corridor, count, knobs, ...offered(activity, list) };
    const made = proposeLevels(plain, middle, may);
    if (made.length > 1) {
      if (made.length < count) setFailing("fewerHits");
      return take(made);
    }
    // If levels cannot differ, the panel offers a change that would let them.
    setLets(wouldDiffer(plain, middle, may));
    setFailing("noneDiffer");
  }
  function proposeByEnd() {
    setLooked(0);
    worker.ask(
      (remote) =>
        remote.propose(activity, middle, field, { corridor, count }, Comlink.proxy(setLooked)) as Promise<Level[]>,
      (made) => {
        // Keeps other edits made in the meantime. If the game itself changed, the result is out of date.
        if (PLAYED.some((key) => latest.current[key] !== activity[key])) setFailing("meanwhile");
        else if (made.length === 0) setFailing("nothing");
        else {
          if (made.length < count) setFailing("fewer");
          take(made, "end", latest.current);
        }
      },
    );
  }
  return {
    knobs,
    turnKnob: (knob: LevelKnob) => setKnobs(turned(knobs, knob)),
    count,
    setCount,
    low,
    setLow,
    high,
    setHigh,
    /** True if the first number is not below the second. */
    crossed: low >= high,
    amounts,
    /** The field to change, or any other text to go by hits. */
    field,
    setField: (next: string) => {
      setField(next);
      setFailing(null);
    },
    byEnd,
    /** True if no change is ticked. */
    unticked: knobs.length === 0 && !byEnd,
    state: worker.state,
    stop: worker.stop,
    looked,
    failing,
    /** The change that would make different levels possible. */
    lets,
    allow: (knob: LevelKnob) => {
      setKnobs(LEVEL_KNOBS.filter((other) => other === knob || knobs.includes(other)));
      setFailing(null);
    },
    propose: () => {
      setFailing(null);
      if (byEnd) proposeByEnd();
      else proposeByHits();
    },
  };
}
export type LevelProposal = ReturnType<typeof useLevelProposal>;
