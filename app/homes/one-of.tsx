import { say } from "#words/say.ts";

export const pick =
  "grid min-h-16 cursor-pointer place-items-center rounded-md border-2 border-hair bg-raised p-2 text-center font-semibold has-checked:border-ink has-checked:bg-mustard has-checked:text-night has-focus-visible:outline-3";

/** A few radio buttons to tap. `words` is the message key under which their labels are found. */
export function OneOf({
  name,
  options,
  is,
  words = `survey.${name}`,
  columns = 3,
  choose,
}: {
  name: string;
  options: readonly string[];
  is: string | undefined;
  words?: string;
  columns?: 2 | 3;
  choose?: (option: string) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1.5 text-lg font-bold">{say(`survey.${name}`)}</legend>
      <div className={`grid gap-2 ${columns === 2 ? "grid-cols-2" : "grid-cols-3"}`}>
        {options.map((option) => (
          <label key={option} className={`${pick} min-h-12`}>
            <input
              type="radio"
              name={name}
              value={option}
              className="sr-only"
              defaultChecked={is === option}
              onChange={() => choose?.(option)}
            />
            {say(`${words}.${option}`)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
