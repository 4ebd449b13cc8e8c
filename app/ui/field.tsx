import { type ComponentProps, type ReactNode, useId } from "react";
import { classes } from "./classes.ts";

interface LabelProps {
  label: ReactNode;
  /** What is allowed, beside the label. */
  hint?: ReactNode;
  /** What is wrong with what was typed. */
  problem?: string | undefined;
  className?: string;
}

/** Joins a label, its hint and a problem to the control that `children` draws with the given attributes. */
function Labelled({
  label,
  hint,
  problem,
  className,
  children,
}: LabelProps & {
  children: (control: { id: string; "aria-invalid"?: true; "aria-describedby"?: string }) => ReactNode;
}) {
  const id = useId();
  const problemId = `${id}-problem`;
  return (
    <div className={classes("field", className)}>
      <label htmlFor={id}>
        {label} {hint && <span className="hint">{hint}</span>}
      </label>
      {children({ id, ...(problem && { "aria-invalid": true, "aria-describedby": problemId }) })}
      {problem && (
        <p id={problemId} className="problem">
          {problem}
        </p>
      )}
    </div>
  );
}

/** A native field for one line of text, a number or a date. It works before the script loads. */
export const TextField = ({
  label,
  hint,
  problem,
  className,
  ...props
}: LabelProps & Omit<ComponentProps<"input">, "className"> & { className?: string }) => (
  <Labelled label={label} hint={hint} problem={problem}>
    {(control) => <input {...control} {...props} className={className} />}
  </Labelled>
);

/** A native field for several lines of text. It works before the script loads. */
export const AreaField = ({
  label,
  hint,
  problem,
  ...props
}: Omit<LabelProps, "className"> & ComponentProps<"textarea">) => (
  <Labelled label={label} hint={hint} problem={problem}>
    {(control) => <textarea {...control} {...props} />}
  </Labelled>
);

/** A native choice from a list. It works before the script loads. */
export const SelectField = ({
  label,
  hint,
  problem,
  className,
  children,
  ...props
}: LabelProps & Omit<ComponentProps<"select">, "className"> & { className?: string }) => (
  <Labelled label={label} hint={hint} problem={problem}>
    {(control) => (
      <Select {...control} {...props} className={className}>
        {children}
      </Select>
    )}
  </Labelled>
);

/** The native choice itself, with an arrow of its own, for where the label stands beside it or is spoken only. */
export function Select({ className, ...props }: ComponentProps<"select">) {
  return <select className={classes("select", className)} {...props} />;
}

/** A tick box with its words. */
export const CheckField = ({
  label,
  className,
  ...props
}: Omit<ComponentProps<"input">, "type"> & { label: ReactNode }) => (
  <label className={classes("flex min-h-9 items-center gap-2", className)}>
    <input type="checkbox" {...props} /> {label}
  </label>
);

/** Several tick boxes of one name. */
export function TickList<T extends string>({
  label,
  options,
  word,
  name,
  ticked,
  problem,
}: {
  label: string;
  options: readonly T[];
  word: (option: T) => string;
  name: string;
  ticked: readonly string[];
  problem?: string | undefined;
}) {
  const problemId = useId();
  return (
    <fieldset className="py-2" {...(problem && { "aria-describedby": problemId })}>
      <legend className="font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-x-4">
        {options.map((option) => (
          <CheckField
            key={option}
            label={word(option)}
            name={name}
            value={option}
            defaultChecked={ticked.includes(option)}
            className="min-h-7 text-sm"
          />
        ))}
      </div>
      {problem && (
        <p id={problemId} className="problem">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
