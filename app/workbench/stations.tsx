import { Plus, Trash2 } from "lucide-react";
import { nanoid } from "nanoid";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { ACTIONS, actionFacts } from "#core/actions/actions.ts";
import { BANDS, type Band, bandOf, cuesFor, mistakesOf, watchFor } from "#core/aim/cue-bank.ts";
import { starterQuestions, starters } from "#core/aim/starters.ts";
import { type Knob, MODES, type Mode } from "#core/contract/contract.ts";
import { setTo } from "#core/contract/range.ts";
import { inTwoHomes } from "#core/contract/two-homes.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { flies, sentIn } from "#core/forecast/for-activity.ts";
import { type Activity, BEHIND, canSetOut, type Problem } from "#core/formats/activity.ts";
import { withoutLost } from "#core/formats/change.ts";
import { opened, withParams } from "#core/formats/opened.ts";
import { COUNTED } from "#core/measures/count.ts";
import { FLOORS } from "#core/things/floors.ts";
import type { Item } from "#core/things/item.ts";
import { WALL_GAP } from "#core/yard/off-wall.ts";
import { itemName, namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { problemText } from "../ui/problem-text.ts";
import { Problems } from "../ui/problems.tsx";
import { Compared } from "./compared.tsx";
import { arrangeAs } from "./edit.ts";
import { ExerciseFields } from "./exercise-fields.tsx";
import { FairHere } from "./fair-here.tsx";
import { FamilyRange } from "./family-range.tsx";
import { useSchool } from "./items.tsx";
import { Choice, Knobs, NumberField, TextField, Toggle } from "./knobs.tsx";
import { LayoutPanel } from "./layout-panel.tsx";
import { QuestionAnswers } from "./question-answers.tsx";
import { RuleSentences } from "./rule-sentences.tsx";
import { PointsSuggested, RuleWarnings } from "./rule-warnings.tsx";
import { SampleGame } from "./sample-game.tsx";

export const STATIONS = ["aim", "cues", "kit", "yard", "score", "players", "levels", "send"] as const;
export type Station = (typeof STATIONS)[number];
export const stationName: Record<Station, string> = {
  aim: "Aim",
  cues: "Cues",
  kit: "Kit",
  yard: "Yard",
  score: "Score",
  players: "Players",
  levels: "Levels",
  send: "Send",
};

/** The station's answer in one line, so that the column reads as the plan of the lesson. */
export function answerOf(text: Station, activity: Activity): string {
  const { pegs, summary } = opened(activity);
  const many = pegs.reduce((sum, peg) => sum + (peg.many ?? 1), 0);
  const far = Math.max(...pegs.map((peg) => peg.distance));
  const near = Math.min(...pegs.map((peg) => peg.distance));
  switch (text) {
    case "aim":
      return activity.aim.outcome || `${label(`action.${activity.aim.action}`)}, no outcome yet`;
    case "cues":
      return `${activity.cues.length} cues, ${activity.criteria.length} criteria`;
    case "kit":
      return `${itemName(activity.kit.send, namesOf(activity.kit.own))}, ${itemName(activity.kit.marker, namesOf(activity.kit.own))} for lines`;
    case "yard":
      return pegs.length === 0
        ? `${activity.space.length} × ${activity.space.width} m`
        : `${many} ${tell(`pegs.${pegs[0]!.kind}`, { count: many })}, ${near === far ? "" : `${near}–`}${far} m`;
    case "score":
      return sayPhrase(summary, {}, attemptWordsForTeacher(activity.aim.action));
    case "players":
      return `${activity.players.least === activity.players.most ? activity.players.least : `${activity.players.least}–${activity.players.most}`}, ${activity.players.modes.map((mode) => label(`mode.${mode}`).replace(/ \(.*/, "")).join(", ")}`;
    case "levels":
      return activity.levels
        ? `${activity.levels.list.length} levels, ${Math.round(100 * activity.levels.low)}–${Math.round(100 * activity.levels.high)}% ${activity.levels.of === "end" ? "finish" : "hits"}`
        : "Everyone plays the game as designed";
    case "send":
      return activity.minutes === 1 ? "About 1 minute" : `About ${activity.minutes} minutes`;
  }
}

export interface PanelProps {
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
  chosen: string | null;
  choose: (id: string | null) => void;
  /** The typical child of the class that is shown. */
  middle: Who;
  /** Its youngest, middle and oldest; only some stations ask. */
  people?: readonly Who[];
}

/** As many other skills may stand in. */
const MAX_ALSO = 3;

export function AimPanel({ activity, change }: PanelProps) {
  const able = opened(activity).pattern.actions;
  const { list } = useSchool();
  const starter = starters[activity.aim.action];
  const offered = starter.outcomes.filter((outcome) => outcome !== activity.aim.outcome);
  return (
    <>
      <label className="field py-2">
        <span>Action</span>
        <select
          value={activity.aim.action}
          onChange={(event) => {
            const action = event.target.value as Activity["aim"]["action"];
            const travel = actionFacts[action].travel;
            const serving = (item: Item) => item.uses.includes("send") && item.moves.includes(travel);
            const fits = list.some((item) => item.id === activity.kit.send && serving(item));
            change({
              ...activity,
              aim: { ...activity.aim, action, also: activity.aim.also?.filter((text) => text !== action) },
              kit: { ...activity.kit, send: fits ? activity.kit.send : list.find(serving)!.id },
            });
          }}
        >
          {ACTIONS.filter(able).map((action) => (
            <option key={action} value={action}>
              {label(`action.${action}`)}
            </option>
          ))}
        </select>
      </label>
      <details className="py-1">
        <summary className="cursor-pointer text-sm">
          Use another action where this one does not work
          {activity.aim.also?.length
            ? `: ${activity.aim.also.map((text) => label(`action.${text}`).toLowerCase()).join(", ")}`
            : ""}
        </summary>
        <fieldset className="grid gap-1 py-1 text-sm">
          <legend className="text-quiet">
            Up to three, in the order you tick them. If you tick none, homes without room use a rolled T-shirt.
          </legend>
          {ACTIONS.filter((action) => action !== activity.aim.action && able(action)).map((action) => {
            const on = activity.aim.also ?? [];
            return (
              <label key={action} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={on.includes(action)}
                  disabled={!on.includes(action) && on.length >= MAX_ALSO}
                  onChange={(event) => {
                    const also = event.target.checked ? [...on, action] : on.filter((text) => text !== action);
                    change({ ...activity, aim: { ...activity.aim, also: also.length > 0 ? also : undefined } });
                  }}
                />
                {label(`action.${action}`)}
              </label>
            );
          })}
        </fieldset>
      </details>
      <TextField
        name="Outcome"
        hint="what the child will be able to do"
        rows={2}
        most={200}
        value={activity.aim.outcome}
        change={(outcome) => change({ ...activity, aim: { ...activity.aim, outcome } }, "outcome")}
      />
      {offered.length > 0 && (
        <Offers title="Ready-made outcomes">
          {offered.map((option) => (
            <button
              key={option}
              type="button"
              className="btn btn-quiet btn-small h-auto justify-start text-left"
              onClick={() => change({ ...activity, aim: { ...activity.aim, outcome: option } })}
            >
              {option}
            </button>
          ))}
        </Offers>
      )}
      <TextField
        name="Standards"
        hint="your own, separated by commas"
        most={200}
        value={activity.aim.standards.join(", ")}
        change={(text) =>
          change(
            {
              ...activity,
              aim: {
                ...activity.aim,
                standards: text
                  .split(",")
                  .map((eachText) => eachText.trimStart())
                  .filter((eachText, i, all) => eachText.trim() !== "" || i === all.length - 1)
                  .map((eachText) => eachText.slice(0, 60))
                  .filter((eachText) => eachText !== ""),
              },
            },
            "standards",
          )
        }
      />
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          name="Ages from"
          value={activity.ages.from}
          least={4}
          most={15}
          step={1}
          change={(from) => change({ ...activity, ages: { from, to: Math.max(from, activity.ages.to) } }, "ages")}
        />
        <NumberField
          name="to"
          value={activity.ages.to}
          least={4}
          most={15}
          step={1}
          change={(to) => change({ ...activity, ages: { to, from: Math.min(to, activity.ages.from) } }, "ages")}
        />
      </div>
    </>
  );
}

function Offers({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <details className="row-line py-1.5">
      <summary className="text-sm font-semibold text-teal">{title}</summary>
      <div className="grid gap-1 py-1.5">{children}</div>
    </details>
  );
}

type Entries = Activity["cues"];
function EntryList({
  title,
  most,
  list,
  offers,
  set,
}: {
  title: string;
  most: number;
  list: Entries;
  offers: readonly string[];
  set: (list: Entries, key?: string) => void;
}) {
  const free = offers.filter((offer) => !list.some((criterion) => criterion.text === offer));
  const add = (text: string) => set([...list, { id: nanoid(8), text }]);
  return (
    <section className="mb-4">
      <h3 className="text-base">{title}</h3>
      <ol className="grid gap-1 py-1">
        {list.map((criterion, i) => (
          <li key={criterion.id} className="flex items-center gap-1">
            <span className="w-5 text-right text-sm text-quiet">{i + 1}</span>
            <input
              aria-label={`${title} ${i + 1}`}
              className="min-w-0 grow text-sm"
              maxLength={160}
              value={criterion.text}
              onChange={(event) =>
                set(
                  list.map((eachCriterion) =>
                    eachCriterion.id === criterion.id ? { ...eachCriterion, text: event.target.value } : eachCriterion,
                  ),
                  `entry ${criterion.id}`,
                )
              }
            />
            <button
              type="button"
              className="grid size-8 place-items-center"
              aria-label={`Remove ${criterion.text}`}
              onClick={() => set(list.filter((eachCriterion) => eachCriterion.id !== criterion.id))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ol>
      {list.length < most && (
        <>
          <button type="button" className="btn btn-quiet btn-small" onClick={() => add("New")}>
            <Plus size={15} aria-hidden="true" /> Add your own
          </button>
          {free.length > 0 && (
            <Offers title="Suggestions">
              {free.map((option) => (
                <button
                  key={option}
                  type="button"
                  className="btn btn-quiet btn-small h-auto justify-start text-left"
                  onClick={() => add(option)}
                >
                  {option}
                </button>
              ))}
            </Offers>
          )}
        </>
      )}
    </section>
  );
}

export function CuesPanel({ activity, problems, change, middle }: PanelProps) {
  const starter = starters[activity.aim.action];
  const [band, setBand] = useState<Band>(bandOf((activity.ages.from + activity.ages.to) / 2));
  const mistakes = mistakesOf(activity.aim.action);
  const watch = watchFor(activity.aim.action);
  const taken = new Set(activity.cues.map((cue) => cue.text));
  const addCue = (text: string) => {
    const id = [1, 2, 3, 4, 5, 6]
      .map((n) => `c${n}`)
      .find((eachText) => !activity.cues.some((cue) => cue.id === eachText));
    if (id) change({ ...activity, cues: [...activity.cues, { id, text }] });
  };
  return (
    <>
      <p className="mb-2 text-sm text-quiet">Left and right swap on a left-hander's card.</p>
      <div role="group" aria-label="Cues for" className="mb-1 flex flex-wrap items-center gap-1.5 text-sm">
        <span aria-hidden="true" className="text-quiet">
          Suggested cues for
        </span>
        {BANDS.map((text) => (
          <button
            key={text}
            type="button"
            aria-pressed={text === band}
            className={`rounded-md border-2 px-2 py-0.5 font-semibold ${text === band ? "border-ink bg-mustard text-night" : "border-hair"}`}
            onClick={() => setBand(text)}
          >
            {label(`band.${text}`)}
          </button>
        ))}
      </div>
      <EntryList
        title="Cues"
        most={6}
        list={activity.cues}
        offers={cuesFor(activity.aim.action, band)}
        set={(cues, key) => change({ ...activity, cues }, key)}
      />
      <section aria-label="Common mistakes" className="mb-3">
        <h3 className="text-base">Common mistakes</h3>
        <ul>
          {mistakes.map(([mistake, cue]) => (
            <li key={mistake} className="row-line grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 py-1 text-sm">
              <span>
                <span className="block">{mistake}</span>
                <span className="block text-quiet">{cue}</span>
              </span>
              <button
                type="button"
                className="btn btn-quiet btn-small"
                disabled={taken.has(cue) || activity.cues.length >= 6}
                aria-label={`Use the cue: ${cue}`}
                onClick={() => addCue(cue)}
              >
                Use
              </button>
            </li>
          ))}
        </ul>
      </section>
      <EntryList
        title="Success criteria"
        most={6}
        list={activity.criteria}
        offers={starter.criteria}
        set={(criteria, key) => change({ ...activity, criteria }, key)}
      />
      <section aria-label="What a grown-up can watch for" className="mb-2">
        <h3 className="text-base">A grown-up can watch for</h3>
        {[0, 1].map((i) => (
          <TextField
            key={i}
            name={`Watch for ${i + 1}`}
            hint={i === 0 ? "shown on the card and the sheet; optional" : undefined}
            most={100}
            value={activity.watch?.[i] ?? ""}
            change={(text) => {
              const list = [0, 1].map((k) => (k === i ? text : (activity.watch?.[k] ?? "")));
              change({ ...activity, watch: list.filter((eachText) => eachText !== "") }, `watch ${i}`);
            }}
          />
        ))}
        {(activity.watch ?? []).length === 0 && (
          <button
            type="button"
            className="btn btn-quiet btn-small"
            onClick={() => change({ ...activity, watch: [...watch] })}
          >
            Use the two for this action
          </button>
        )}
      </section>
      <TextField
        name="Quick question"
        hint="optional"
        most={200}
        value={activity.question}
        change={(question) => change({ ...activity, question }, "question")}
      />
      <QuestionAnswers activity={activity} change={change} />
      <Problems
        list={problems.filter((problem) => problem.field === "question" || problem.field.startsWith("answers"))}
      />
      <ExerciseFields activity={activity} change={change} middle={middle} />
      {[0, 1].map((i) => (
        <TextField
          key={i}
          name={`Reflection ${i + 1}`}
          most={160}
          value={activity.reflection[i] ?? ""}
          change={(text) =>
            change(
              {
                ...activity,
                reflection: [0, 1]
                  .map((k) => (k === i ? text : (activity.reflection[k] ?? "")))
                  .filter((eachText, k) => eachText !== "" || k < 1)
                  .slice(0, 2),
              },
              `reflection ${i}`,
            )
          }
        />
      ))}
      {activity.reflection.every((role) => role === "") && (
        <button
          type="button"
          className="btn btn-quiet btn-small"
          onClick={() => change({ ...activity, reflection: [...starterQuestions] })}
        >
          Use two suggested questions
        </button>
      )}
    </>
  );
}

/** Whether the child itself sets the targets out, and where. */
function SetOutFields({ activity, problems, change }: Pick<PanelProps, "activity" | "problems" | "change">) {
  const { setOut } = activity;
  const at = opened(activity).pegs.map((peg) => peg.distance);
  const metres = (givenMetres: number) => Math.round(givenMetres * 20) / 20;
  const usual = {
    near: Math.max(0.3, metres(Math.min(...at) - 0.4)),
    far: Math.min(activity.space.length, metres(Math.max(...at) + 0.4)),
    width: Math.min(activity.space.width, 2),
    farther: false,
  };
  const size = (name: string, field: "near" | "far" | "width", most: number) =>
    setOut && (
      <NumberField
        name={name}
        value={setOut[field]}
        least={0.3}
        most={most}
        step={0.05}
        unit="m"
        problem={problems.find((problem) => problem.field === `setOut.${field}`)?.message}
        change={(value) => change({ ...activity, setOut: { ...setOut, [field]: value } }, `setOut ${field}`)}
      />
    );
  return (
    <>
      <Toggle
        name="The child sets out the targets"
        hint="within an area of this size; only goes set out alike are compared"
        value={setOut !== null && setOut !== undefined}
        change={(on) => change({ ...activity, setOut: on ? usual : null })}
      />
      {setOut && (
        <>
          {size("Nearest allowed", "near", activity.space.length)}
          {size("Farthest allowed", "far", activity.space.length)}
          {size("Width of the area", "width", activity.space.width)}
          <Toggle
            name="Bigger numbers must stand farther away"
            value={setOut.farther}
            change={(farther) => change({ ...activity, setOut: { ...setOut, farther } })}
          />
        </>
      )}
    </>
  );
}

/** Layouts whose places the game's own targets can take. */
const ARRANGED = ["row", "scattered", "around", "pins"] as const;

export function YardPanel({ activity, problems, change, chosen, choose, middle }: PanelProps) {
  const { id } = useParams();
  const game = opened(activity);
  const { pegs } = game;
  const peg = pegs.find((eachPeg) => eachPeg.id === chosen);
  const longer = game.add();
  const advice = game.pattern.advice?.(activity.pattern.params, sentIn(activity).width) ?? [];
  const less = peg && game.remove(peg.id);
  const told = problems.filter((problem) =>
    ["pattern.params.peg", "space", "layout", "off", "ramp"].some((field) => problem.field.startsWith(field)),
  );
  return (
    <>
      {told.map((problem) => (
        <p key={problem.message} role="alert" className="note problem mb-2">
          {problemText(problem.message)}
        </p>
      ))}
      {peg && (
        <section className="mb-3">
          <div className="flex items-center justify-between">
            <h3 className="text-lg">
              {peg.kind === "line"
                ? `Line ${pegs.indexOf(peg) + 1}`
                : `${peg.many ? `${peg.many} ×` : pegs.indexOf(peg) + 1} ${peg.label || itemName(peg.item ?? "")}`}
            </h3>
            <button
              type="button"
              className="btn btn-quiet btn-small"
              disabled={!less}
              onClick={() => {
                if (!less) return;
                choose(null);
                change(less);
              }}
            >
              <Trash2 size={15} aria-hidden="true" /> Remove
            </button>
          </div>
          <Fields key={peg.id} list={game.pegKnobs(peg.id)} activity={activity} problems={problems} change={change} />
        </section>
      )}
      {pegs.length > 1 && pegs[0]!.kind === "target" && (
        <label className="row-line mb-2 flex items-center justify-between gap-3 py-2 text-[0.92rem]">
          Arrange the targets
          <select
            value=""
            onChange={(event) =>
              event.target.value && change(arrangeAs(activity, event.target.value as (typeof ARRANGED)[number]))
            }
          >
            <option value="">as they are</option>
            {ARRANGED.map((text) => (
              <option key={text} value={text}>
                {label(`layout.${text}`)}
              </option>
            ))}
          </select>
        </label>
      )}
      {advice.map((phrase) => (
        <p key={phrase.key} className="mb-2 text-sm text-quiet">
          {tell(phrase.key, phrase.params)}
        </p>
      ))}
      {id && game.parts.some((part) => part.kind === "target" && part.sign !== undefined) && (
        <p className="mb-2 text-sm">
          <Link to={`/activities/${id}/cards`} className="underline">
            Print the cards to cut out
          </Link>
        </p>
      )}
      {!peg && <p className="mb-2 text-sm text-quiet">Choose a marker on the tape, or an item on the plan.</p>}
      <button
        type="button"
        className="btn btn-quiet btn-small mb-2"
        disabled={!longer}
        onClick={() => longer && change(longer)}
      >
        <Plus size={15} aria-hidden="true" /> {pegs[0]?.kind === "line" ? "Add line" : "Add target"}
      </button>
      <Fields
        list={game.knobs().filter((knob) => knob.station === "yard")}
        activity={activity}
        problems={problems}
        change={change}
      />
      {game
        .knobs()
        .map(
          (knob) =>
            knob.kind === "choice" &&
            knob.compared && <Compared key={knob.path.join(".")} activity={activity} knob={knob} who={middle} />,
        )}
      {(canSetOut(activity) || activity.setOut) && (
        <SetOutFields activity={activity} problems={problems} change={change} />
      )}
      <LayoutPanel activity={activity} change={change} choose={choose} />
      <h3 className="mt-3 text-base">How distances are given, and what is behind</h3>
      <Choice
        name="Distances on the card in"
        hint="a step is each child's own"
        options={COUNTED.map((text) => ({ value: text, label: label(`counted.${text}`) }))}
        value={activity.counted ?? "steps"}
        change={(counted) => change({ ...activity, counted })}
      />
      <Choice
        name="Behind the targets"
        options={BEHIND.map((text) => ({ value: text, label: label(`behind.${text}`) }))}
        value={activity.behind ?? "open"}
        change={(behind) => change({ ...activity, behind })}
      />
      <Choice
        name="It must first touch"
        hint="once; an object that hardly bounces will not come up again"
        options={[
          { value: "straight", label: "nothing" },
          ...(flies(activity) || activity.off === "floor" || activity.off === "table"
            ? [
                { value: "floor", label: "the floor" },
                { value: "table", label: "a table" },
              ]
            : []),
          { value: "wall", label: "the wall behind them" },
        ]}
        value={activity.off ?? "straight"}
        change={(first) => {
          const { off: was, wall: gap, ...rest } = activity;
          if (first === "straight") change(rest);
          else if (first === "wall") change({ ...rest, off: "wall", wall: gap ?? WALL_GAP });
          else change({ ...rest, off: first as "floor" | "table" });
        }}
      />
      {activity.off === "wall" && (
        <NumberField
          name="Wall behind the farthest target, at"
          unit="m"
          value={activity.wall ?? WALL_GAP}
          least={0.2}
          most={5}
          step={0.1}
          problem={problems.find((problem) => problem.field === "wall")?.message}
          change={(wall) => change({ ...activity, wall }, "wall")}
        />
      )}
      {(activity.aim.action === "underarmRoll" || activity.ramp) && (
        <>
          <Choice
            name="How it starts"
            options={[
              { value: "hand", label: "by hand" },
              { value: "behind", label: "down a ramp, standing behind it" },
              { value: "beside", label: "down a ramp, standing beside it" },
            ]}
            value={activity.ramp?.stand ?? "hand"}
            change={(how) => {
              const { ramp: was, ...rest } = activity;
              change(
                how === "hand"
                  ? rest
                  : { ...rest, ramp: { height: was?.height ?? 0.5, stand: how as "behind" | "beside" } },
              );
            }}
          />
          {activity.ramp && (
            <NumberField
              name="Height of the ramp"
              unit="m"
              value={activity.ramp.height}
              least={0.05}
              most={0.8}
              step={0.05}
              change={(height) => change({ ...activity, ramp: { ...activity.ramp!, height } }, "ramp")}
            />
          )}
        </>
      )}
      <h3 className="mt-3 text-base">Space to plan for</h3>
      <NumberField
        name="Length"
        unit="m"
        value={activity.space.length}
        least={0.5}
        most={60}
        step={0.1}
        change={(length) => change({ ...activity, space: { ...activity.space, length } }, "length")}
      />
      <NumberField
        name="Width"
        unit="m"
        value={activity.space.width}
        least={0.5}
        most={60}
        step={0.1}
        change={(width) => change({ ...activity, space: { ...activity.space, width } }, "width")}
      />
      <label className="row-line flex items-center justify-between py-2 text-[0.92rem]">
        Floor
        <select
          value={activity.space.floor}
          onChange={(event) =>
            change({
              ...activity,
              space: { ...activity.space, floor: event.target.value as Activity["space"]["floor"] },
            })
          }
        >
          {FLOORS.map((floor) => (
            <option key={floor} value={floor}>
              {label(`floor.${floor}`)}
            </option>
          ))}
        </select>
      </label>
      <Toggle
        name="Indoors"
        value={activity.space.indoors}
        change={(indoors) => change({ ...activity, space: { ...activity.space, indoors } })}
      />
    </>
  );
}

/** What can be set, in the parameters or in the match around them. */
function Fields({
  list,
  activity,
  problems,
  change,
}: {
  list: readonly Knob[];
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
}) {
  return (
    <>
      <Knobs
        list={list.filter((knob) => knob.of !== "match")}
        params={activity.pattern.params}
        problems={problems}
        change={(params, key) => change(withoutLost(withParams(activity, params)), key)}
      />
      <Knobs
        list={list.filter((knob) => knob.of === "match")}
        params={activity.match}
        problems={problems}
        change={(match, key) => change(withoutLost({ ...activity, match: match as Activity["match"] }), key)}
      />
    </>
  );
}

export function ScorePanel({ activity, problems, change, middle, people }: PanelProps) {
  const list = opened(activity)
    .knobs()
    .filter((knob) => knob.station === "score");
  const three = useMemo(
    () => (people?.length === 3 ? ([people[0]!, people[1]!, people[2]!] as const) : null),
    [people],
  );
  return (
    <>
      <SampleGame activity={activity} who={middle} />
      {three && <RuleWarnings activity={activity} people={three} change={change} />}
      <RuleSentences
        action={activity.aim.action}
        list={list}
        valueAt={(knob) => setTo(knob, { params: activity.pattern.params, match: activity.match })}
        one={(knob) => <Fields list={[knob]} activity={activity} problems={problems} change={change} />}
      />
      <h3 className="text-base">All settings</h3>
      <Fields list={list} activity={activity} problems={problems} change={change} />
      <PointsSuggested activity={activity} who={middle} change={change} />
    </>
  );
}

export function PlayersPanel({ activity, problems, change, middle }: PanelProps) {
  const game = opened(activity);
  const { modes: able } = game.pattern;
  const turn = (mode: Mode) => {
    const modes = MODES.filter((text) =>
      text === mode ? !activity.players.modes.includes(mode) : activity.players.modes.includes(text),
    );
    if (modes.length > 0) change({ ...activity, players: { ...activity.players, modes } });
  };
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          name="From"
          value={activity.players.least}
          least={1}
          most={6}
          step={1}
          change={(least) =>
            change(
              { ...activity, players: { ...activity.players, least, most: Math.max(least, activity.players.most) } },
              "players",
            )
          }
        />
        <NumberField
          name="to"
          value={activity.players.most}
          least={1}
          most={6}
          step={1}
          change={(most) =>
            change(
              { ...activity, players: { ...activity.players, most, least: Math.min(most, activity.players.least) } },
              "players",
            )
          }
        />
      </div>
      <fieldset className="row-line py-2">
        <legend className="text-[0.92rem]">Ways to play the family may choose</legend>
        {able.map((mode) => (
          <label key={mode} className="flex items-center gap-2 py-1">
            <input type="checkbox" checked={activity.players.modes.includes(mode)} onChange={() => turn(mode)} />
            {label(`mode.${mode}`)}
          </label>
        ))}
        {(activity.players.call ||
          inTwoHomes(game.pattern, { params: activity.pattern.params, match: activity.match }, true)) && (
          <label className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              checked={activity.players.call}
              onChange={() => change({ ...activity, players: { ...activity.players, call: !activity.players.call } })}
            />
            {label("players.call")}
          </label>
        )}
      </fieldset>
      <Fields
        list={game.knobs().filter((knob) => knob.station === "players")}
        activity={activity}
        problems={problems}
        change={change}
      />
      {activity.players.modes.includes("against") && activity.players.most > 1 && (
        <FairHere activity={activity} middle={middle} change={change} />
      )}
      <FamilyRange activity={activity} change={change} />
    </>
  );
}
