import { useState } from "react";
import { BANDS, type Band, bandOf, cuesFor, mistakesOf, watchFor } from "#core/aim/cue-bank.ts";
import { starterQuestions, starters } from "#core/aim/starters.ts";
import { label } from "#words/teacher.ts";
import { Button } from "../ui/button.tsx";
import { Fold, Group } from "../ui/group.tsx";
import { Problems } from "../ui/problems.tsx";
import { ExerciseFields } from "./exercise-fields.tsx";
import { TextField } from "./fields.tsx";
import { QuestionAnswers } from "./question-answers.tsx";
import { countedText, EntryList } from "./station-parts.tsx";
import type { PanelProps } from "./stations.ts";

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
      <CommonMistakes mistakes={mistakes} taken={taken} activity={activity} addCue={addCue} />
      <EntryList
        title="Success criteria"
        most={6}
        list={activity.criteria}
        offers={starter.criteria}
        set={(criteria, key) => change({ ...activity, criteria }, key)}
      />
      <WatchFor activity={activity} change={change} watch={watch} />
      <Group title="Question">
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
      </Group>
      <ExerciseFields activity={activity} change={change} middle={middle} />
      <Fold title="Reflection" note={inUse(activity.reflection)}>
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
          <Button look="quiet" size="small" onClick={() => change({ ...activity, reflection: [...starterQuestions] })}>
            Use two suggested questions
          </Button>
        )}
      </Fold>
    </>
  );
}

/** How many of these texts are written. */
const inUse = (texts: readonly string[]) => countedText(texts.filter((text) => text !== "").length, "written");

/** Lists common mistakes, each with the cue that helps. */
const CommonMistakes = ({
  mistakes,
  taken,
  activity,
  addCue,
}: Pick<PanelProps, "activity"> & {
  mistakes: readonly (readonly [mistake: string, cue: string])[];
  taken: Set<string>;
  addCue: (text: string) => void;
}) => (
  <Fold title="Common mistakes" note={`${mistakes.length}`}>
    <ul>
      {mistakes.map(([mistake, cue]) => (
        <li key={mistake} className="row-line grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 py-1 text-sm">
          <span>
            <span className="block">{mistake}</span>
            <span className="block text-quiet">{cue}</span>
          </span>
          <Button
            look="quiet"
            size="small"
            disabled={taken.has(cue) || activity.cues.length >= 6}
            aria-label={`Use the cue: ${cue}`}
            onClick={() => addCue(cue)}
          >
            Use
          </Button>
        </li>
      ))}
    </ul>
  </Fold>
);

/** Lists what a grown-up can watch for. */
const WatchFor = ({
  activity,
  change,
  watch,
}: Pick<PanelProps, "activity" | "change"> & { watch: readonly [string, string] }) => (
  <Fold title="A grown-up can watch for" note={inUse(activity.watch ?? [])}>
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
      <Button look="quiet" size="small" onClick={() => change({ ...activity, watch: [...watch] })}>
        Use the two for this action
      </Button>
    )}
  </Fold>
);
