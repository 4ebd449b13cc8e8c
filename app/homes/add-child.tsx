import type { SubmissionResult } from "@conform-to/dom";
import { getFormProps } from "@conform-to/react";
import { useEffect, useRef } from "react";
import { Form } from "react-router";
import { Button } from "../ui/button.tsx";
import { TextField } from "../ui/field.tsx";
import { fieldOf, useSchemaForm } from "../ui/form.tsx";
import { newChildForm } from "./child-form.ts";

/** Adds one child by hand. */
export default function AddChild({
  classId,
  name,
  open,
  added,
  refused,
}: {
  classId: string;
  name: string;
  open: boolean;
  /** The child that was added just now. */
  added: string | null;
  refused: SubmissionResult<string[]> | undefined;
}) {
  const [form, fields] = useSchemaForm(newChildForm, { id: "add-child", first: { class: classId }, answer: refused });
  const place = useRef<HTMLFormElement>(null);
  // After a child was added, the next one can be typed at once.
  useEffect(() => {
    if (added === null) return;
    place.current?.reset();
    place.current?.querySelector<HTMLInputElement>('[name="name"]')?.focus();
  }, [added]);
  return (
    <details className="mt-4 print:hidden" open={open || refused !== undefined || undefined}>
      <summary className="font-semibold text-teal">Add a child to {name}</summary>
      <Form method="post" ref={place} {...getFormProps(form)} className="mt-2 flex flex-wrap items-start gap-3">
        <input type="hidden" name="class" value={classId} />
        <TextField label="Name" hint="first name and an initial, or a nickname" {...fieldOf(fields.name)} />
        <TextField label="Age" hint="4 to 15" inputMode="numeric" className="w-20" {...fieldOf(fields.age)} />
        <Button type="submit" look="main" name="intent" value="add" className="mt-6">
          Add child
        </Button>
      </Form>
    </details>
  );
}
