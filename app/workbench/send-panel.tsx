import { useEffect, useRef, useState } from "react";
import { Form, Link, useNavigation, useParams, useSearchParams } from "react-router";
import type { Activity, Problem } from "#core/formats/activity.ts";
import { clockText, type ScoreUnit } from "#core/records/score-text.ts";
import { say } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { DateTimeField } from "../ui/date-time-field.tsx";
import { Select } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import { NumberField, TextField } from "./fields.tsx";
import { useStationAddress } from "./station-list.tsx";

/** An example of a score in this game, as somebody would write it. */
const markHint = (unit: ScoreUnit): string =>
  tell("mark.hint", { score: unit === "tenths" ? clockText(325) : `12 ${say(`unit.${unit}`, { value: 12 })}` });

interface Props {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
  classes: readonly { id: string; name: string; children: readonly { id: string; name: string; age: number }[] }[];
  classId: string;
  times: { opens: string; closes: string };
  zone: string;
  /** Why nothing can be sent yet: the draft is not saved, or is incomplete. Null if it can be sent. */
  held: string | null;
  problems: readonly Problem[];
  unit: ScoreUnit;
  /** The id of this form. If it is sent twice, the activity is still sent once. */
  orderId: string;
  /** The other activities. `alike`: those for the same outcome. */
  others: readonly { id: string; title: string; alike: boolean }[];
}

/** Sends to a class, with times and the number of goes. A plain form that works before the script loads. */
export function SendPanel(props: Props) {
  const { activity, change, classes, classId, times, zone, held, problems, unit, orderId, others } = props;
  const addressOf = useStationAddress();
  const busy = useNavigation().formData?.get("intent") === "send";
  const [to, setTo] = useState(classId);
  const [some, setSome] = useState(0);
  const group = classes.find((c) => c.id === to) ?? classes[0];
  // The teacher's own score from trying the game out.
  const tried = useSearchParams()[0].get("mark");
  const form = useRef<HTMLFormElement>(null);
  const { id } = useParams();
  const key = `yard-send-${id}`;
  // If the session ends on the way, what was typed is there again after signing in.
  // Only once: what was sent and refused is kept there too, and must not replace what is typed after it.
  const [opensNow] = useState(times.opens);
  const [typedTimes, setTypedTimes] = useState<Props["times"] | null>(null);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    sessionStorage.removeItem(key);
    if (!kept || !form.current) return;
    const typed = JSON.parse(kept) as Record<string, string>;
    // Those of an earlier sending may be over.
    if (typed.opensAt && typed.closesAt && typed.closesAt > opensNow)
      setTypedTimes({ opens: typed.opensAt, closes: typed.closesAt });
    for (const [name, value] of Object.entries(typed)) {
      const field = form.current.querySelector<HTMLInputElement>(
        `[name="${name}"]:not([type=hidden], [type=checkbox])`,
      );
      if (field) field.value = value;
    }
  }, [key, opensNow]);
  useEffect(() => {
    const [first] = problems;
    const field = first && form.current?.querySelector<HTMLInputElement>(`[name="${CSS.escape(first.field)}"]`);
    // A date is kept in a hidden field, beside the button that shows it.
    if (field?.type === "hidden") field.parentElement?.querySelector("button")?.focus();
    else field?.focus();
  }, [problems]);
  const problemOf = (field: string) => problems.find((problem) => problem.field === field);
  const line = (field: string) =>
    problemOf(field) && (
      <p role="alert" className="problem" id={`send-${field}`}>
        {problemText(problemOf(field)!.message)}
      </p>
    );
  return (
    <>
      <Form
        method="post"
        className="grid gap-3"
        id="send-form"
        ref={form}
        onKeyDown={(event) => {
          // From any field, without going through all of them.
          if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
          event.preventDefault();
          event.currentTarget.querySelector<HTMLButtonElement>("button[value=send]")?.click();
        }}
        onSubmit={(event) => {
          const typed = [...new FormData(event.currentTarget)].filter(([, v]) => typeof v === "string");
          sessionStorage.setItem(key, JSON.stringify(Object.fromEntries(typed)));
        }}
      >
        <input type="hidden" name="orderId" value={orderId} />
        <input type="hidden" name="markUnit" value={unit} />
        <ClassField to={to} setTo={setTo} setSome={setSome} classes={classes} line={line} />
        {group && <SomeChildren group={group} setSome={setSome} line={line} />}
        {group && others.length > 0 && (
          <OtherGame
            key={`other ${group.id}`}
            others={others}
            ages={group.children.map((child) => child.age)}
            problemOf={problemOf}
          />
        )}
        <TimesAndTries
          zone={zone}
          times={typedTimes ?? times}
          typed={typedTimes !== null}
          problemOf={problemOf}
          line={line}
          unit={unit}
          tried={tried}
        />
        {activity.aim.outcome.trim() === "" && (
          <p className="note">
            This activity has no learning outcome yet.{" "}
            <Link to={addressOf("aim")} replace preventScrollReset className="underline">
              Add one at Aim
            </Link>
            , or send it without one.
          </p>
        )}
        {held && <p className="problem">{held}</p>}
        <Button type="submit" name="intent" value="send" look="main" disabled={held !== null || busy} aria-busy={busy}>
          {busy ? "Sending …" : some > 0 ? tell("send.to", { n: some }) : "Send to the class"}
        </Button>
        {classes.length > 0 && (
          <ButtonLink look="quiet" to={`/activities/${id}/rehearsal?class=${to}`}>
            Watch a trial run
          </ButtonLink>
        )}
        <p className="text-sm text-quiet">Each child gets a private link. Messages go to the outbox.</p>
      </Form>
      <h3 className="mt-4 text-base">On the card</h3>
      <NumberField
        name="Minutes on the card"
        value={activity.minutes}
        least={1}
        most={60}
        step={1}
        change={(minutes) => change({ ...activity, minutes }, "minutes")}
      />
      <TextField
        name="Your own safety note"
        hint="shown on every card"
        rows={2}
        most={200}
        value={activity.caution}
        change={(caution) => change({ ...activity, caution }, "caution")}
      />
    </>
  );
}

/** Another game for children of some ages in place of this one. It becomes a second assignment with the same times. */
function OtherGame({
  others,
  ages,
  problemOf: told,
}: {
  others: Props["others"];
  ages: readonly number[];
  problemOf: (field: string) => Problem | undefined;
}) {
  const problem = ["other.activityId", "other.from", "other.to"]
    .map(told)
    .find((eachProblem) => eachProblem !== undefined);
  return (
    <details open={problem !== undefined}>
      <summary>{tell("send.otherGame")}</summary>
      <div className="mt-2 grid gap-2">
        <label className="field">
          <span>{tell("send.thatGame")}</span>
          <Select name="other.activityId" defaultValue="">
            <option value="">{tell("send.sameForAll")}</option>
            {others.map((other) => (
              <option key={other.id} value={other.id}>
                {other.alike ? tell("send.alike", { title: other.title }) : other.title}
              </option>
            ))}
          </Select>
        </label>
        <div className="grid grid-cols-2 gap-3">
          {(["from", "to"] as const).map((end) => (
            <label key={end} className="field">
              <span>{end === "from" ? "From age" : "To age"}</span>
              <input
                name={`other.${end}`}
                className="w-full min-w-0"
                inputMode="numeric"
                defaultValue={Math.min(...ages)}
                aria-invalid={told(`other.${end}`) ? true : undefined}
              />
            </label>
          ))}
        </div>
        {problem && (
          <p role="alert" className="problem">
            {problemText(problem.message)}
          </p>
        )}
        <p className="text-sm text-quiet">{tell("send.otherText")}</p>
      </div>
    </details>
  );
}

/** Chooses the class to send to. */
const ClassField = ({
  to,
  setTo,
  setSome,
  classes,
  line,
}: {
  to: string;
  setTo: (value: string) => void;
  setSome: (value: number) => void;
  classes: Props["classes"];
  line: (field: string) => React.JSX.Element | undefined;
}) => (
  <label className="field">
    <span>Class</span>
    <Select
      name="classId"
      value={to}
      onChange={(event) => {
        setTo(event.target.value);
        setSome(0);
      }}
    >
      {classes.map((c) => (
        <option key={c.id} value={c.id}>
          {tell("class.size", { name: c.name, n: c.children.length })}
        </option>
      ))}
    </Select>
    {line("classId")}
  </label>
);

/** Lets the teacher send to some children only. */
const SomeChildren = ({
  group,
  setSome,
  line,
}: {
  group: { id: string; name: string; children: readonly { id: string; name: string; age: number }[] };
  setSome: (value: number) => void;
  line: (field: string) => React.JSX.Element | undefined;
}) => (
  <details key={group.id}>
    <summary>Send only to some children</summary>
    <fieldset
      onChange={(event) => setSome(event.currentTarget.querySelectorAll(":checked").length)}
      className="mt-1 grid max-h-56 grid-cols-2 gap-x-3 overflow-y-auto"
    >
      <legend className="sr-only">Children in {group.name}</legend>
      {group.children.map((child) => (
        <label key={child.id} className="flex items-center gap-2 py-0.5 text-sm">
          <input type="checkbox" name="child" value={child.id} /> {child.name}
        </label>
      ))}
    </fieldset>
    <p className="text-sm text-quiet">If you tick no one, it goes to the whole class and to anyone who joins later.</p>
    {line("children")}
  </details>
);

/** Sets the opening and closing times, how many goes count, and the score to beat. */
const TimesAndTries = ({
  zone,
  times,
  typed,
  problemOf: told,
  line,
  unit,
  tried,
}: {
  zone: Props["zone"];
  times: Props["times"];
  /** They were typed here before. The page's own move on with the clock, and must not replace what is chosen. */
  typed: boolean;
  problemOf: (field: string) => Problem | undefined;
  line: (field: string) => React.JSX.Element | undefined;
  unit: Props["unit"];
  tried: string | null;
}) => {
  const problemIn = (field: string) => {
    const problem = told(field);
    return problem && problemText(problem.message);
  };
  return (
    <>
      <DateTimeField
        key={`opens ${typed}`}
        name="opensAt"
        label="Opens"
        hint={zone}
        defaultValue={times.opens}
        problem={problemIn("opensAt")}
      />
      <DateTimeField
        key={`closes ${typed}`}
        name="closesAt"
        label="Closes"
        defaultValue={times.closes}
        problem={problemIn("closesAt")}
      />
      <label className="field">
        <span>
          How many goes count? <span className="hint">1–20</span>
        </span>
        <input
          name="tries"
          inputMode="numeric"
          defaultValue="3"
          required
          aria-invalid={told("tries") ? true : undefined}
        />
        {line("tries")}
      </label>
      <label className="field">
        <span>
          Score to beat <span className="hint">{markHint(unit)}</span>
        </span>
        <input
          key={unit}
          name="mark"
          defaultValue={tried ?? undefined}
          aria-invalid={told("mark") ? true : undefined}
        />
        {line("mark")}
      </label>
    </>
  );
};
