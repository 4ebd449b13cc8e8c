import type { SubmissionResult } from "@conform-to/dom";
import { type FieldMetadata, getFormProps } from "@conform-to/react";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { Form, Link, useNavigation, useParams, useSearchParams } from "react-router";
import type { Activity } from "#core/formats/activity.ts";
import { clockText, type ScoreUnit } from "#core/records/score-text.ts";
import { say } from "#words/say.ts";
import { tell } from "#words/tell.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { DateTimeField } from "../ui/date-time-field.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { fieldOf, ticksOf, useSchemaForm } from "../ui/form.tsx";
import { TextField as LongText, NumberField } from "./fields.tsx";
import { type OtherTyped, sendForm } from "./send-form.ts";
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
  /** The server's answer, if it refused what was sent. */
  refused: SubmissionResult<string[]> | undefined;
  unit: ScoreUnit;
  /** The id of this form. If it is sent twice, the activity is still sent once. */
  orderId: string;
  /** The other activities. `alike`: those for the same outcome. */
  others: readonly { id: string; title: string; alike: boolean }[];
}

/** Sends to a class, with times and the number of goes. A plain form that works before the script loads. */
export function SendPanel(props: Props) {
  const { activity, change, classes, classId, times, zone, held, refused, unit, orderId, others } = props;
  const addressOf = useStationAddress();
  const busy = useNavigation().formData?.get("intent") === "send";
  const [to, setTo] = useState(classId);
  const [some, setSome] = useState(0);
  const group = classes.find((c) => c.id === to) ?? classes[0];
  // The teacher's own score from trying the game out.
  const tried = useSearchParams()[0].get("mark");
  const sheet = useRef<HTMLFormElement>(null);
  const { id } = useParams();
  const key = `yard-send-${id}`;
  // If the session ends on the way, what was typed is there again after signing in.
  // Only once: what was sent and refused is kept there too, and must not replace what is typed after it.
  const [opensNow] = useState(times.opens);
  const [typedTimes, setTypedTimes] = useState<Props["times"] | null>(null);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    sessionStorage.removeItem(key);
    if (!kept || !sheet.current) return;
    const typed = JSON.parse(kept) as Record<string, string>;
    // Those of an earlier sending may be over.
    if (typed.opensAt && typed.closesAt && typed.closesAt > opensNow)
      setTypedTimes({ opens: typed.opensAt, closes: typed.closesAt });
    for (const [name, value] of Object.entries(typed)) {
      const field = sheet.current.querySelector<HTMLInputElement>(
        `[name="${name}"]:not([type=hidden], [type=checkbox])`,
      );
      if (field) field.value = value;
    }
  }, [key, opensNow]);
  const [form, fields] = useSchemaForm(sendForm, {
    id: "send-form",
    first: { classId, opensAt: times.opens, closesAt: times.closes, tries: 3, mark: tried ?? "" },
    answer: refused,
  });
  const formProps = getFormProps(form);
  const [opensAt, closesAt] = [fieldOf(fields.opensAt).problem, fieldOf(fields.closesAt).problem];
  useEffect(() => {
    // A date is kept in a hidden field, beside the button that shows it.
    const name = opensAt ? "opensAt" : closesAt ? "closesAt" : null;
    const field = name && sheet.current?.querySelector<HTMLInputElement>(`input[name=${name}]`);
    if (refused && field && field.type === "hidden") field.parentElement?.querySelector("button")?.focus();
  }, [refused, opensAt, closesAt]);
  const { problem: outdated } = fieldOf(fields.orderId);
  return (
    <>
      <Form
        method="post"
        {...formProps}
        className="grid gap-3"
        ref={sheet}
        onKeyDown={(event) => {
          // From any field, without going through all of them.
          if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
          event.preventDefault();
          event.currentTarget.querySelector<HTMLButtonElement>("button[value=send]")?.click();
        }}
        onSubmit={(event) => {
          formProps.onSubmit(event);
          const typed = [...new FormData(event.currentTarget)].filter(([, v]) => typeof v === "string");
          sessionStorage.setItem(key, JSON.stringify(Object.fromEntries(typed)));
        }}
      >
        <input type="hidden" name="orderId" value={orderId} />
        <input type="hidden" name="markUnit" value={unit} />
        <SelectField
          label="Class"
          name={fields.classId.name}
          problem={fieldOf(fields.classId).problem}
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
        </SelectField>
        {group && <SomeChildren group={group} setSome={setSome} field={fields.children} />}
        {group && others.length > 0 && (
          <OtherGame
            key={`other ${group.id}`}
            others={others}
            ages={group.children.map((child) => child.age)}
            field={fields.other as FieldMetadata<OtherTyped>}
          />
        )}
        <DateTimeField
          key={`opens ${typedTimes !== null}`}
          {...fieldOf(fields.opensAt)}
          label="Opens"
          hint={zone}
          defaultValue={typedTimes?.opens ?? fieldOf(fields.opensAt).defaultValue}
        />
        <DateTimeField
          key={`closes ${typedTimes !== null}`}
          {...fieldOf(fields.closesAt)}
          label="Closes"
          defaultValue={typedTimes?.closes ?? fieldOf(fields.closesAt).defaultValue}
        />
        <TextField label="How many goes count?" hint="1–20" inputMode="numeric" {...fieldOf(fields.tries)} required />
        <TextField key={unit} label="Score to beat" hint={markHint(unit)} {...fieldOf(fields.mark)} required={false} />
        {activity.aim.outcome.trim() === "" && (
          <p className="note">
            This activity has no learning outcome yet.{" "}
            <Link to={addressOf("aim")} replace preventScrollReset className="underline">
              Add one at Aim
            </Link>
            , or send it without one.
          </p>
        )}
        {(held ?? outdated) && <p className="problem">{held ?? outdated}</p>}
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
      <LongText
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

/**
 * Fields that are seldom needed. It opens when one of them is wrong, and stays open while that is put right: a field
 * must not go away from under the hand.
 */
function FoldWithFields({ wrong, title, children }: { wrong: boolean; title: string; children: ReactNode }) {
  const [open, setOpen] = useState(wrong);
  if (wrong && !open) setOpen(true);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{title}</summary>
      {children}
    </details>
  );
}

/** Another game for children of some ages in place of this one. It becomes a second assignment with the same times. */
function OtherGame({
  others,
  ages,
  field,
}: {
  others: Props["others"];
  ages: readonly number[];
  field: FieldMetadata<OtherTyped>;
}) {
  const { activityId, from, to } = field.getFieldset();
  const ends = [
    { label: "From age", ...fieldOf(from) },
    { label: "To age", ...fieldOf(to) },
  ];
  const wrong = [activityId, from, to].some(({ errors }) => errors);
  return (
    <FoldWithFields wrong={wrong} title={tell("send.otherGame")}>
      <div className="mt-2 grid gap-2">
        <SelectField label={tell("send.thatGame")} {...fieldOf(activityId)} required={false}>
          <option value="">{tell("send.sameForAll")}</option>
          {others.map((other) => (
            <option key={other.id} value={other.id}>
              {other.alike ? tell("send.alike", { title: other.title }) : other.title}
            </option>
          ))}
        </SelectField>
        <div className="grid grid-cols-2 items-start gap-3">
          {ends.map((end) => (
            <TextField
              key={end.name}
              {...end}
              className="w-full min-w-0"
              inputMode="numeric"
              defaultValue={end.defaultValue || Math.min(...ages)}
              required={false}
            />
          ))}
        </div>
        <p className="text-sm text-quiet">{tell("send.otherText")}</p>
      </div>
    </FoldWithFields>
  );
}

/** Lets the teacher send to some children only. */
const SomeChildren = ({
  group,
  setSome,
  field,
}: {
  group: Props["classes"][number];
  setSome: (value: number) => void;
  field: FieldMetadata<string[]>;
}) => {
  const { name, ticked, problem } = ticksOf(field);
  return (
    <FoldWithFields key={group.id} wrong={problem !== undefined} title="Send only to some children">
      <fieldset
        onChange={(event) => setSome(event.currentTarget.querySelectorAll(":checked").length)}
        className="mt-1 grid max-h-56 grid-cols-2 gap-x-3 overflow-y-auto"
      >
        <legend className="sr-only">Children in {group.name}</legend>
        {group.children.map((child) => (
          <CheckField
            key={child.id}
            label={child.name}
            name={name}
            value={child.id}
            defaultChecked={ticked.includes(child.id)}
            className="min-h-7 text-sm"
          />
        ))}
      </fieldset>
      <p className="text-sm text-quiet">
        If you tick no one, it goes to the whole class and to anyone who joins later.
      </p>
      {problem && (
        <p role="alert" className="problem">
          {problem}
        </p>
      )}
    </FoldWithFields>
  );
};
