import { useMemo } from "react";
import { fieldOf } from "#core/contract/range.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { type Activity, MAX_LEVELS } from "#core/formats/activity.ts";
import { sendsUntil, settles, USUAL_TURNS } from "#core/levels/ladder.ts";
import {
  aimedAt,
  allAlike,
  gradesOf,
  LEVEL_KNOBS,
  type LevelKnob,
  type LevelSetting,
  otherActions,
  rateAt,
  settable,
} from "#core/levels/levels.ts";
import { paces } from "#core/measures/step.ts";
import { namesOf } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { knobName } from "../ui/knob-name.ts";
import { levelTexts } from "../ui/level-text.ts";
import { Options } from "../ui/options.tsx";
import { Problems } from "../ui/problems.tsx";
import { useAttemptWords } from "./attempt-words.ts";
import { NumberField } from "./fields.tsx";
import { useSchool, withOwn } from "./items.tsx";
import { LevelRow } from "./level-row.tsx";
import type { PanelProps } from "./stations.ts";
import { useEnds } from "./use-forecast.ts";
import { type LevelProposal, type Levels, useLevelProposal } from "./use-level-proposal.ts";

/** The chance of each child shown, level by level. Null means that we cannot work it out. */
type Rates = readonly (readonly (number | null)[])[];
const percent = (share: number) => Math.round(100 * share);
/** Returns the typical child's value out of youngest, typical and oldest. */
const middleOf = <T,>(rates: readonly T[]): T | undefined => rates[Math.min(1, rates.length - 1)];

/**
 * Levels of difficulty: the range of success, how many levels, and what may change, each with the chances of the
 * youngest, the typical and the oldest child.
 */
export function LevelsPanel({ activity, problems, change, middle, people = [middle] }: PanelProps) {
  const { list } = useSchool();
  const proposal = useLevelProposal({ activity, change, middle });
  const { levels } = activity;
  const put = (next: Levels, key?: string) => change(withOwn({ ...activity, levels: next }, list), key);
  return (
    <>
      <Corridor proposal={proposal} />
      <MayChange activity={activity} proposal={proposal} />
      <OneNumber activity={activity} proposal={proposal} />
      <Propose
        proposal={proposal}
        again={levels !== null && levels !== undefined}
        remove={() => change({ ...activity, levels: null })}
      />
      <Proposed proposal={proposal} />
      <Problems list={problems.filter((problem) => problem.field.startsWith("levels"))} />
      {levels && <LevelList activity={activity} levels={levels} people={people} middle={middle} put={put} />}
    </>
  );
}

/** Sets the range of success that the levels should cover, and how many levels there are. */
const Corridor = ({ proposal }: { proposal: LevelProposal }) => (
  <>
    <div className="grid grid-cols-2 gap-x-3">
      <NumberField
        name={proposal.byEnd ? "Finishes, from" : "Hits, from"}
        unit="%"
        value={Math.round(proposal.low)}
        least={5}
        most={95}
        step={5}
        change={proposal.setLow}
      />
      <NumberField
        name="to"
        unit="%"
        value={Math.round(proposal.high)}
        least={5}
        most={95}
        step={5}
        change={proposal.setHigh}
      />
    </div>
    <NumberField
      name="Number of levels"
      value={proposal.count}
      least={3}
      most={MAX_LEVELS}
      step={1}
      change={proposal.setCount}
    />
  </>
);

/** Chooses what may change from level to level, out of what this activity allows. */
function MayChange({ activity, proposal }: { activity: Activity; proposal: LevelProposal }) {
  const fits: Record<LevelKnob, boolean> = {
    line: true,
    target: aimedAt(activity) !== null,
    hand: true,
    posture: true,
    thing: true,
    action: otherActions(activity).length > 0,
    game: gradesOf(activity).length > 1,
    bounce: settable(activity).some((knob) => knob.path[knob.path.length - 1] === "bounce"),
  };
  return (
    <fieldset className="row-line py-2">
      <legend className="text-[0.92rem]">What may change, easiest to set up first</legend>
      {LEVEL_KNOBS.filter((knob) => fits[knob]).map((knob) => (
        <label key={knob} className="flex items-center gap-2 py-1">
          <input type="checkbox" checked={proposal.knobs.includes(knob)} onChange={() => proposal.turnKnob(knob)} />
          {label(`levelKnob.${knob}`)}
        </label>
      ))}
    </fieldset>
  );
}

/** Offers to change one number of the game instead, so that a given share of children finish. */
function OneNumber({ activity, proposal }: { activity: Activity; proposal: LevelProposal }) {
  const attempt = useAttemptWords();
  if (proposal.amounts.length === 0) return null;
  const more = settable(activity);
  return (
    <label className="field row-line py-2">
      <span>
        Or change one number, <span className="hint">so that this many in 100 typical children finish</span>
      </span>
      <Select value={proposal.byEnd ? proposal.field : ""} onChange={(event) => proposal.setField(event.target.value)}>
        <option value="">no, use hits</option>
        <Options
          of={proposal.amounts.map((amount) => ({ id: fieldOf(amount), name: knobName(amount, more, attempt) }))}
        />
      </Select>
    </label>
  );
}

/** Shows problems with the request, and the buttons. */
const Propose = ({
  proposal,
  again,
  remove,
}: {
  proposal: LevelProposal;
  /** Levels exist already. */
  again: boolean;
  remove: () => void;
}) => (
  <>
    {proposal.crossed && (
      <p role="alert" className="problem">
        The first number must be lower than the second.
      </p>
    )}
    {proposal.unticked && (
      <p role="alert" className="problem">
        Tick at least one change.
      </p>
    )}
    <p className="flex gap-2 py-2">
      <Button
        look="main"
        size="small"
        disabled={proposal.crossed || proposal.unticked || proposal.state === "working"}
        onClick={proposal.propose}
      >
        {again ? "Suggest again" : "Suggest levels"}
      </Button>
      {proposal.state === "working" && (
        <Button size="small" onClick={proposal.stop}>
          Stop
        </Button>
      )}
      {again && (
        <Button look="quiet" size="small" onClick={remove}>
          Remove levels
        </Button>
      )}
    </p>
  </>
);

/** Reports progress, and why there are fewer levels than asked for, or none. */
const Proposed = ({ proposal: { state, looked, failing, lets, allow } }: { proposal: LevelProposal }) => (
  <div role="status" className="text-sm">
    {state === "working" && tell("level.looking", { values: looked })}
    {state === "failed" && tell("level.failed")}
    {failing === "noneDiffer" ? (
      <p className="note">
        {tell("level.noneDiffer", { knob: lets ? label(`levelKnob.${lets}`) : "", lets: lets ? "yes" : "no" })}
        {lets && (
          <Button size="small" className="mt-1 block" onClick={() => allow(lets)}>
            {tell("level.allow", { knob: label(`levelKnob.${lets}`) })}
          </Button>
        )}
      </p>
    ) : (
      failing && tell(`level.${failing}`)
    )}
  </div>
);

/** Lists the levels with their chances, and sets how a child moves between them. */
function LevelList({
  activity,
  levels,
  people,
  middle,
  put,
}: {
  activity: Activity;
  levels: Levels;
  people: readonly Who[];
  middle: Who;
  put: (next: Levels, key?: string) => void;
}) {
  const attempt = useAttemptWords();
  const names = namesOf(useSchool().list);
  const byHits = useMemo(
    () =>
      levels.of === "end" ? [] : levels.list.map((setting) => people.map((who) => rateAt(activity, setting, who))),
    [activity, levels, people],
  );
  const ends = useEnds(activity, people);
  const rates: Rates = levels.of === "end" ? (ends ?? []) : byHits;
  const unknown = rates.some((rate) => rate.some((chance) => chance === null));
  const off = Math.max(
    ...rates.map((rate) => {
      const chance = middleOf(rate);
      return chance === null || chance === undefined ? 0 : Math.max(levels.low - chance, chance - levels.high);
    }),
  );
  const { step } = paces(middle.age === "adult" ? 18 : middle.age);
  const texts = levelTexts(activity, levels.list, step, names);
  const set = (i: number, setting: Partial<LevelSetting>, key?: string) =>
    put({ ...levels, list: levels.list.map((old, k) => (k === i ? { ...old, ...setting } : old)) }, key);
  return (
    <>
      <ol className="grid gap-1" aria-label="Levels, easiest first">
        {levels.list.map((setting, i) => (
          <LevelRow
            key={i}
            activity={activity}
            i={i}
            setting={setting}
            text={texts[i]}
            set={(next, key) => set(i, next, key)}
          >
            <LevelRates levels={levels} people={people} rates={rates[i]} />
          </LevelRow>
        ))}
      </ol>
      {off > 0.05 && <p className="note mt-2">{tell("level.off", { points: percent(off) })}</p>}
      {allAlike(levels.list) && <p className="note mt-2">{tell("level.alike")}</p>}
      {unknown && <p className="note mt-2">{tell("level.none", attempt)}</p>}
      {levels.of === "end" && <p className="mt-2 text-sm text-quiet">{tell("level.byEnd")}</p>}
      <UpAndDown levels={levels} put={put} />
      {!unknown && levels.of !== "end" && rates.length > 0 && <Settling levels={levels} rates={rates} />}
      <p className="mt-2 text-sm text-quiet">{tell("level.each")}</p>
    </>
  );
}

/** Shows the chances at one level. Those within the range asked for are bold. */
const LevelRates = ({
  levels,
  people,
  rates,
}: {
  levels: Levels;
  people: readonly Who[];
  rates: Rates[number] | undefined;
}) => (
  <p className="flex gap-3 text-sm" data-level-rates>
    {levels.of === "end" && <span className="text-quiet">finish</span>}
    {people.map((who, k) => {
      const rate = rates?.[k];
      const known = rate !== null && rate !== undefined;
      const inside = known && rate >= levels.low - 0.005 && rate <= levels.high + 0.005;
      return (
        <span key={k} className={inside ? "font-bold text-teal" : "text-quiet"}>
          {who.age}: {known ? `${percent(rate)}%` : "–"}
        </span>
      );
    })}
  </p>
);

/** Sets how many hits or misses in a row bring an offer of another level, and when the offers stop. */
const UpAndDown = ({ levels, put }: { levels: Levels; put: (next: Levels) => void }) => (
  <div>
    <NumberField
      name="Offer “Harder” after this many hits in a row"
      value={levels.up}
      least={1}
      most={5}
      step={1}
      change={(up) => put({ ...levels, up })}
    />
    <NumberField
      name="Offer “Easier” after this many misses in a row"
      value={levels.down}
      least={1}
      most={5}
      step={1}
      change={(down) => put({ ...levels, down })}
    />
    <NumberField
      name="Stop asking after this many turns"
      hint="a turn is a change from harder to easier, or back; 0 means never stop"
      value={(levels.stop === undefined ? USUAL_TURNS : levels.stop) ?? 0}
      least={0}
      most={12}
      step={1}
      change={(turns) => put({ ...levels, stop: turns === 0 ? null : turns })}
    />
  </div>
);

/** Says at which level a typical child settles, starting from the one where they would spend most time. */
function Settling({ levels: { up, down, stop = USUAL_TURNS }, rates }: { levels: Levels; rates: Rates }) {
  const attempt = useAttemptWords();
  const settled = useMemo(() => {
    const middle = rates.map((rate) => middleOf(rate) ?? 0);
    const { rate, shares } = settles(middle, up, down);
    const at = shares.indexOf(Math.max(...shares));
    return { rate, at, until: stop === null ? null : sendsUntil(middle, { up, down, begin: at, turns: stop }) };
  }, [rates, up, down, stop]);
  return (
    <p className="text-sm text-quiet">
      {tell("level.settles", { rate: percent(settled.rate), level: settled.at + 1 })}{" "}
      {stop !== null &&
        (settled.until === null
          ? tell("level.untilNever")
          : tell("level.until", { sends: Math.round(settled.until), ...attempt }))}
    </p>
  );
}
