import { Plus, Trash2 } from "lucide-react";
import type { Activity } from "#core/formats/activity.ts";
import { type Answers, MAX_ANSWERS, PICTURES } from "#core/formats/answers.ts";
import type { Item } from "#core/items/item.ts";
import { label } from "#words/teacher.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { TextField } from "./fields.tsx";
import { useSchool } from "./items.tsx";

/** The answers that a new question starts with. */
const FIRST: Answers = {
  list: [
    { picture: "pic-leftFoot", text: "Left foot in front" },
    { picture: "pic-rightFoot", text: "Right foot in front" },
  ],
  right: 0,
  explain: "",
};

/** The answers to the quick question: a picture for each, which one is right, and why. */
export function QuestionAnswers({
  activity,
  change,
}: {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
}) {
  const { list: things, name } = useSchool();
  const { answers } = activity;
  const nameOf = (picture: string) => (picture.startsWith("pic-") ? label(`picture.${picture}`) : name(picture));
  const set = (next: Answers | null, key?: string) => change({ ...activity, answers: next }, key);
  if (!answers)
    return (
      <Button look="quiet" size="small" className="mb-3" disabled={activity.question === ""} onClick={() => set(FIRST)}>
        <Plus size={15} aria-hidden="true" /> Picture answers, asked once before play
      </Button>
    );
  const { list, right } = answers;
  const answer = (i: number, over: Partial<Answers["list"][number]>, key?: string) =>
    set({ ...answers, list: list.map((x, k) => (k === i ? { ...x, ...over } : x)) }, key);
  const takeAway = (i: number) =>
    set({
      ...answers,
      list: list.filter((_, k) => k !== i),
      right: right === null || right === i ? null : right > i ? right - 1 : right,
    });
  return (
    <fieldset className="row-line mb-3 py-2">
      <legend className="float-left mb-1 w-full text-[0.92rem]">
        Answers{" "}
        <span className="block text-xs text-quiet">Asked once before play. Results shows what each child chose.</span>
      </legend>
      <AnswerList
        list={list}
        answer={answer}
        takeAway={takeAway}
        nameOf={nameOf}
        things={things}
        right={right}
        set={set}
        answers={answers}
      />
      <label className="mt-1 flex items-center gap-1 text-sm">
        <input
          type="radio"
          name="rightAnswer"
          checked={right === null}
          onChange={() => set({ ...answers, right: null })}
        />{" "}
        no wrong answers
      </label>
      <TextField
        name="What the card says afterwards"
        hint="why"
        most={200}
        value={answers.explain}
        change={(explain) => set({ ...answers, explain }, "explain")}
      />
      <div className="flex flex-wrap gap-2">
        {list.length < MAX_ANSWERS && (
          <Button
            look="quiet"
            size="small"
            onClick={() => set({ ...answers, list: [...list, { picture: "pic-yes", text: "Other" }] })}
          >
            <Plus size={15} aria-hidden="true" /> Add answer
          </Button>
        )}
        <Button look="quiet" size="small" onClick={() => set(null)}>
          <Trash2 size={15} aria-hidden="true" /> Remove all answers
        </Button>
      </div>
    </fieldset>
  );
}

/** Lists the answers with their pictures. */
const AnswerList = ({
  list,
  answer,
  takeAway,
  nameOf,
  things,
  right,
  set,
  answers,
}: {
  list: { picture: string; text: string }[];
  answer: (i: number, over: Partial<Answers["list"][number]>, key?: string) => void;
  takeAway: (i: number) => void;
  nameOf: (picture: string) => string;
  things: readonly Item[];
  right: number | null;
  set: (next: Answers | null, key?: string) => void;
  answers: { list: { picture: string; text: string }[]; right: number | null; explain: string };
}) => (
  <ol className="clear-both grid gap-2">
    {list.map((x, i) => (
      <li key={i} className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-2 gap-y-1">
        <ItemDrawing item={x.picture} size={36} className="row-span-2" />
        <input
          aria-label={`Answer ${i + 1}`}
          className="min-w-0 text-sm"
          maxLength={60}
          value={x.text}
          onChange={(event) => answer(i, { text: event.target.value }, `answer ${i}`)}
        />
        {list.length > 2 ? (
          <Button look="bare" size="icon" aria-label={`Remove answer ${i + 1}`} onClick={() => takeAway(i)}>
            <Trash2 size={16} aria-hidden="true" />
          </Button>
        ) : (
          <span />
        )}
        <Select
          aria-label={`Picture for answer ${i + 1}`}
          className="min-w-0 py-0.5 text-sm"
          value={x.picture}
          onChange={(event) => answer(i, { picture: event.target.value })}
        >
          <optgroup label="Technique">
            {PICTURES.map((picture) => (
              <option key={picture} value={picture}>
                {nameOf(picture)}
              </option>
            ))}
          </optgroup>
          <optgroup label="Items">
            {[
              ...things.map((thing) => thing.id),
              ...(things.some((thing) => thing.id === x.picture) ? [] : [x.picture]),
            ]
              .filter((path) => !path.startsWith("pic-"))
              .map((path) => (
                <option key={path} value={path}>
                  {nameOf(path)}
                </option>
              ))}
          </optgroup>
        </Select>
        <label className="flex items-center gap-1 text-sm">
          <input type="radio" name="rightAnswer" checked={right === i} onChange={() => set({ ...answers, right: i })} />{" "}
          correct
        </label>
      </li>
    ))}
  </ol>
);
