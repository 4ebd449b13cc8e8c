import type { ReactNode } from "react";
import { Form } from "react-router";

/** A form that filters a list by the given fields and a search text. It works before the script loads. */
export const FilterForm = ({ find, children }: { find: string; children: ReactNode }) => (
  <Form method="get" className="mb-3 flex flex-wrap items-center gap-3 text-sm">
    {children}
    <FilterField label="Find">
      <input name="find" defaultValue={find} className="w-32 py-0.5" />
    </FilterField>
    <button type="submit" className="btn btn-quiet btn-small">
      Show
    </button>
  </Form>
);

/** One field of such a form, with its label beside it. */
export const FilterField = ({ label, children }: { label: string; children: ReactNode }) => (
  // biome-ignore lint/a11y/noLabelWithoutControl: the control is among the children
  <label className="flex items-center gap-1.5">
    {label}
    {children}
  </label>
);
