import { useSubmit } from "react-router";
import { Button } from "./button.tsx";
import { SelectField } from "./field.tsx";

/** One choice among the filters of a list. It is sent at once, or with the button before the script loads. */
export function FilterChoice({
  name,
  label,
  value,
  any,
  options,
}: {
  /** Its name in the address. */
  name: string;
  label: string;
  value: string | number | null;
  /** The words for no choice, and its value. */
  any: readonly [words: string, value: string];
  options: readonly (readonly [value: string | number, words: string])[];
}) {
  const submit = useSubmit();
  return (
    <SelectField
      label={label}
      name={name}
      key={String(value)}
      defaultValue={value ?? any[1]}
      className="py-1"
      onChange={(event) => void submit(event.currentTarget.form, { preventScrollReset: true })}
    >
      <option value={any[1]}>{any[0]}</option>
      {options.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </SelectField>
  );
}

/** The button that sends the filters before the script loads. */
export const ShowFiltered = () => (
  <noscript>
    <Button type="submit" look="quiet" size="small">
      Show
    </Button>
  </noscript>
);
