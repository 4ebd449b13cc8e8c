import { Form, useNavigation } from "react-router";
import type { Problem } from "#core/formats/activity.ts";
import { problemText } from "../ui/problem-text.ts";

interface Props {
  state: "opens" | "open" | "closed" | "withdrawn";
  closes: string;
  /** For the field, in the school's zone. */
  closesLocal: string;
  zone: string;
  without: readonly { id: string; name: string }[];
  problems: readonly Problem[];
}

/** What can still be done about something that is out: close it, let it close later, take it back, give it to one more child. */
export function Sending({ state, closes, closesLocal, zone, without, problems }: Props) {
  const busy = useNavigation().state !== "idle";
  const problemOf = (field: string) => {
    const problem = problems.find((eachProblem) => eachProblem.field === field);
    return (
      problem && (
        <p role="alert" className="problem">
          {problemText(problem.message)}
        </p>
      )
    );
  };
  if (state === "withdrawn")
    return (
      <Form method="post" className="note flex flex-wrap items-center gap-3">
        <span className="grow">You have unsent this. Families can't open it; results so far are kept.</span>
        <button type="submit" name="intent" value="putBack" className="btn btn-small" disabled={busy}>
          Send again
        </button>
      </Form>
    );
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
      <Form method="post" className="flex flex-wrap items-end gap-2">
        <label className="field">
          <span>
            {state === "closed" ? "Reopen until" : "Closes"} <span className="hint">{zone}</span>
          </span>
          <input type="datetime-local" name="closesAt" key={closes} defaultValue={closesLocal} required />
        </label>
        <button type="submit" name="intent" value="closeAt" className="btn btn-small" disabled={busy}>
          Save
        </button>
        {state === "open" && (
          <button
            type="submit"
            name="intent"
            value="closeNow"
            className="btn btn-quiet btn-small"
            formNoValidate
            disabled={busy}
          >
            Close now
          </button>
        )}
        {problemOf("closesAt")}
      </Form>
      <Form method="post">
        <button type="submit" name="intent" value="takeBack" className="btn btn-quiet btn-small" disabled={busy}>
          Unsend
        </button>
      </Form>
      {without.length > 0 && (
        <Form method="post" className="flex items-end gap-2">
          <label className="field">
            <span>Send to another child</span>
            <select name="childId">
              {without.map((child) => (
                <option key={child.id} value={child.id}>
                  {child.name}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" name="intent" value="oneMore" className="btn btn-small" disabled={busy}>
            {busy ? "Sending …" : "Send"}
          </button>
          {problemOf("childId")}
        </Form>
      )}
    </div>
  );
}
