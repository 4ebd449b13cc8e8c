import { Form } from "react-router";
import type { Activity, Problem } from "#core/formats/activity.ts";
import { NumberField, TextField } from "./knobs.tsx";

interface Props {
  activity: Activity;
  change: (next: Activity, key?: string) => void;
  classes: readonly { id: string; name: string; size: number }[];
  classId: string;
  times: { opens: string; closes: string };
  zone: string;
  /** The draft is not saved or not whole: nothing can be sent yet. */
  held: string | null;
  problems: readonly Problem[];
  unit: string;
}

/** To a class, with its times and tries. A plain form: it works before the script loads. */
export function SendPanel({ activity: a, change, classes, classId, times, zone, held, problems, unit }: Props) {
  const told = (field: string) => problems.find((p) => p.field === field);
  const line = (field: string) =>
    told(field) && (
      <p role="alert" className="problem" id={`send-${field}`}>
        {told(field)!.message}
      </p>
    );
  return (
    <>
      <Form method="post" className="grid gap-3" id="send-form">
        <label className="field">
          <span>Class</span>
          <select name="classId" defaultValue={classId}>
            {classes.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}, {c.size} children
              </option>
            ))}
          </select>
          {line("classId")}
        </label>
        <label className="field">
          <span>
            Opens <span className="hint">{zone}</span>
          </span>
          <input
            type="datetime-local"
            name="opensAt"
            defaultValue={times.opens}
            required
            aria-invalid={told("opensAt") ? true : undefined}
          />
          {line("opensAt")}
        </label>
        <label className="field">
          <span>Closes</span>
          <input
            type="datetime-local"
            name="closesAt"
            defaultValue={times.closes}
            required
            aria-invalid={told("closesAt") ? true : undefined}
          />
          {line("closesAt")}
        </label>
        <label className="field">
          <span>
            Goes that count <span className="hint">1 to 20</span>
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
            Your mark to beat <span className="hint">in {unit}, may be left out</span>
          </span>
          <input name="mark" inputMode="numeric" aria-invalid={told("mark") ? true : undefined} />
          {line("mark")}
        </label>
        {held && <p className="problem">{held}</p>}
        <button type="submit" name="intent" value="send" className="btn btn-main" disabled={held !== null}>
          Send to the class
        </button>
        <p className="text-sm text-quiet">Every child gets a private link. The messages go to the outbox.</p>
      </Form>
      <h3 className="mt-4 text-base">On the card</h3>
      <NumberField
        name="Minutes on the card"
        value={a.minutes}
        least={1}
        most={60}
        step={1}
        change={(minutes) => change({ ...a, minutes }, "minutes")}
      />
      <TextField
        name="Your own caution"
        hint="on every card"
        rows={2}
        most={200}
        value={a.caution}
        change={(caution) => change({ ...a, caution }, "caution")}
      />
    </>
  );
}
