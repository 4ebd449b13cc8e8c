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

/** What of an activity decides how often its end is reached. */
const PLAYED = ["pattern", "match", "aim", "kit", "space", "setOut", "between"] as const;

/** With one more of them, or one less. */
const turned = (knobs: readonly LevelKnob[], knob: LevelKnob): LevelKnob[] =>
  LEVEL_KNOBS.filter((other) => (other === knob ? !knobs.includes(knob) : knobs.includes(other)));

/** Levels as they are proposed: by hits, at once, or by how often a game is finished, in a worker. */
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
    // Levels that cannot differ are not offered; what would let them differ is.
    setLets(wouldDiffer(plain, middle, may));
    setFailing("noneDiffer");
  }
  function proposeByEnd() {
    setLooked(0);
    worker.ask(
      (remote) =>
        remote.propose(activity, middle, field, { corridor, count }, Comlink.proxy(setLooked)) as Promise<Level[]>,
      (made) => {
        // Whatever else was changed while it was worked out stays; of a game that was changed it says nothing.
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
    /** The first number of the corridor is not below the second. */
    crossed: low >= high,
    amounts,
    /** The one number that is changed; empty, or none of them: by hits. */
    field,
    setField: (next: string) => {
      setField(next);
      setFailing(null);
    },
    byEnd,
    /** Nothing is ticked that may change. */
    unticked: knobs.length === 0 && !byEnd,
    state: worker.state,
    stop: worker.stop,
    looked,
    failing,
    /** The change that would let levels differ. */
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
