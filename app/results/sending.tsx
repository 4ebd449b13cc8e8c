import { Form, useNavigation } from "react-router";
import { Button } from "../ui/button.tsx";
import { DateTimeField } from "../ui/date-time-field.tsx";
import { SelectField } from "../ui/field.tsx";
import { Options } from "../ui/options.tsx";
import { useRefused } from "./use-refused.ts";

interface Props {
  state: "opens" | "open" | "closed" | "withdrawn";
  /** For the field, in the school's zone. */
  closesLocal: string;
  zone: string;
  without: readonly { id: string; name: string }[];
  /** The other game of a sending by age, which these children got instead. */
  other: { title: string; count: number } | null;
}

/** What can still be done about something that is out: its closing time, and sending it to one more child. */
export function Sending({ state, closesLocal, zone, without, other }: Props) {
  const busy = useNavigation().state !== "idle";
  const closing = useRefused({ intent: "closeAt" });
  const more = useRefused({ intent: "oneMore" });
  if (state === "withdrawn")
    return (
      <Form method="post" className="note flex flex-wrap items-center gap-3">
        <span className="grow">You have unsent this. Families can't open it; results so far are kept.</span>
        <Button type="submit" name="intent" value="putBack" size="small" disabled={busy}>
          Send again
        </Button>
      </Form>
    );
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
      <Form method="post" className="flex flex-wrap items-end gap-2" preventScrollReset ref={closing.form}>
        <DateTimeField
          key={closesLocal}
          label={state === "closed" ? "Reopen until" : "Closes"}
          hint={zone}
          name="closesAt"
          defaultValue={closing.typed.closesAt ?? closesLocal}
          problem={closing.problemOf("closesAt")}
        />
        <Button type="submit" name="intent" value="closeAt" disabled={busy}>
          Save
        </Button>
        {state === "open" && (
          <Button type="submit" name="intent" value="closeNow" look="quiet" formNoValidate disabled={busy}>
            Close now
          </Button>
        )}
      </Form>
      {without.length > 0 && (
        <Form method="post" className="flex flex-wrap items-end gap-2" preventScrollReset ref={more.form}>
          <SelectField
            label="Send to another child"
            hint={other ? `${other.count} got ${other.title}` : undefined}
            name="childId"
            defaultValue={more.typed.childId}
            problem={more.problemOf("childId")}
          >
            <Options of={without} />
          </SelectField>
          <Button type="submit" name="intent" value="oneMore" disabled={busy}>
            {busy ? "Sending …" : "Send"}
          </Button>
        </Form>
      )}
    </div>
  );
}
