import { type ComponentProps, type ReactNode, useId, useState } from "react";
import { Select } from "../ui/field.tsx";
import { Help } from "../ui/help.tsx";
import { same } from "./paths.ts";
import { Reset } from "./reset.tsx";

interface Named<T> {
  name: string;
  /** Opens beside the name. */
  hint?: string | undefined;
  value: T;
  /** The value that the game comes with. Without it, no change is marked. */
  usual?: NoInfer<T> | undefined;
  change: (value: T) => void;
}

/** What stands beside the name of a setting: its explanation, and the way back to the usual value. */
function Beside<T>({ name, hint, value, usual, change, say }: Named<T> & { say: (value: T) => string }) {
  return (
    <>
      {hint && <Help about={name}>{hint}</Help>}
      {usual !== undefined && !same(usual, value) && <Reset name={name} to={say(usual)} reset={() => change(usual)} />}
    </>
  );
}

interface NumberProps extends Named<number> {
  least: number;
  most: number;
  step: number;
  unit?: string | undefined;
  problem?: string | undefined;
}

/**
 * A number field. What is typed stays as typed. Only a number within the limits is used; otherwise the limits are
 * shown.
 */
export function NumberField({ name, value, least, most, step, unit, hint, usual, problem, change }: NumberProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const text = typed ?? String(value);
  const count = Number(text.replace(",", "."));
  const bad =
    text.trim() === "" || !Number.isFinite(count)
      ? `a number from ${least} to ${most}`
      : count < least || count > most
        ? `from ${least} to ${most}${unit ? ` ${unit}` : ""}`
        : null;
  const message = bad ? `${name} must be ${bad}.` : problem;
  return (
    <div data-setting className="row-line grid grid-cols-[1fr_auto] items-center gap-x-3 py-2">
      <span className="text-[0.92rem]">
        <label htmlFor={id}>{name}</label>{" "}
        <Beside
          {...{ name, hint, value, usual }}
          change={(count) => {
            setTyped(null);
            change(count);
          }}
          say={(count) => `${count}${unit ? ` ${unit}` : ""}`}
        />
      </span>
      <span className="flex items-center gap-1.5">
        <input
          id={id}
          inputMode="decimal"
          className="w-20 text-right font-bold"
          value={text}
          aria-invalid={message ? true : undefined}
          aria-describedby={message ? `${id}-told` : undefined}
          onChange={(event) => {
            setTyped(event.target.value);
            const v = Number(event.target.value.replace(",", "."));
            if (event.target.value.trim() !== "" && Number.isFinite(v) && v >= least && v <= most) change(v);
          }}
          onKeyDown={(event) => {
            if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
            event.preventDefault();
            setTyped(null);
            change(
              Math.round(Math.min(most, Math.max(least, value + (event.key === "ArrowUp" ? step : -step))) * 1000) /
                1000,
            );
          }}
          onBlur={() => !bad && setTyped(null)}
        />
        <span className="w-5 text-sm text-quiet">{unit}</span>
      </span>
      {message && (
        <p id={`${id}-told`} role="alert" className="problem col-span-2">
          {message}
        </p>
      )}
    </div>
  );
}

interface Span {
  from: number;
  to: number;
}
/** Two whole numbers, the first never above the second: what is set moves the other along. */
export const FromTo = ({
  name,
  value,
  usual,
  least,
  most,
  change,
}: Pick<Named<Span>, "name" | "value" | "usual" | "change"> & { least: number; most: number }) => (
  <div className="grid grid-cols-2 gap-x-3">
    <NumberField
      name={name}
      value={value.from}
      usual={usual?.from}
      least={least}
      most={most}
      step={1}
      change={(from) => change({ from, to: Math.max(from, value.to) })}
    />
    <NumberField
      name="to"
      value={value.to}
      usual={usual?.to}
      least={least}
      most={most}
      step={1}
      change={(to) => change({ to, from: Math.min(to, value.from) })}
    />
  </div>
);

/** If there are more options than this, they are shown as a list instead of side by side. */
const MAX_BESIDE = 12;
/** A few options side by side as radio buttons, or many as a list. */
export function Choice<T>({
  options,
  ...named
}: Named<T> & {
  options: readonly { value: T; label: string }[];
}) {
  const { name, value, change } = named;
  const group = useId();
  const beside = (
    <Beside {...named} say={(v) => options.find((option) => same(option.value, v))?.label ?? "what it was"} />
  );
  if (options.length > MAX_BESIDE)
    return (
      <div data-setting className="field py-2">
        <span>
          <label htmlFor={group}>{name}</label> {beside}
        </span>
        <Select
          id={group}
          className="w-full"
          value={options.findIndex((option) => same(option.value, value))}
          onChange={(event) => change(options[Number(event.target.value)]!.value)}
        >
          {options.map((eachOption, i) => (
            <option key={eachOption.label} value={i}>
              {eachOption.label}
            </option>
          ))}
        </Select>
      </div>
    );
  return (
    <div data-setting role="radiogroup" aria-labelledby={`${group}-name`} className="row-line py-2">
      <p className="mb-1 text-[0.92rem]">
        <span id={`${group}-name`}>{name}</span> {beside}
      </p>
      <div className="flex flex-wrap overflow-hidden rounded-sm border-2 border-ink text-[0.86rem]">
        {options.map((option) => {
          const on = same(option.value, value);
          return (
            <label
              key={option.label}
              className={`grow px-2.5 py-1 text-center font-semibold has-focus-visible:outline-3 ${on ? "bg-ink text-page" : ""}`}
            >
              <input type="radio" name={group} className="sr-only" checked={on} onChange={() => change(option.value)} />
              {option.label}
            </label>
          );
        })}
      </div>
    </div>
  );
}

/** A choice from a list, beside its name. */
export function ListField({ name, children, ...props }: { name: ReactNode } & ComponentProps<"select">) {
  const id = useId();
  return (
    <div className="row-line flex items-center justify-between gap-3 py-2 text-[0.92rem]">
      <label htmlFor={id}>{name}</label>
      <Select id={id} {...props}>
        {children}
      </Select>
    </div>
  );
}

export function Toggle({
  note,
  ...named
}: Named<boolean> & { /** What this setting means now. */ note?: string | undefined }) {
  const { name, value, change } = named;
  const id = useId();
  return (
    <div data-setting className="row-line flex items-center justify-between gap-3 py-2.5 text-[0.92rem]">
      <span>
        <label htmlFor={id}>{name}</label> <Beside {...named} say={(on) => (on ? "on" : "off")} />
        {note && <span className="block text-xs text-quiet">{note}</span>}
      </span>
      <input id={id} type="checkbox" checked={value} onChange={(event) => change(event.target.checked)} />
    </div>
  );
}

export function TextField({
  name,
  hint,
  value,
  most,
  change,
  rows,
  offers,
}: {
  name: string;
  /** A few words beside the name. */
  hint?: ReactNode;
  /** Words to choose from instead of typing. */
  offers?: readonly string[];
  value: string;
  most: number;
  change: (givenValue: string) => void;
  rows?: number;
}) {
  const id = useId();
  return (
    <div className="field py-2">
      <label htmlFor={id}>
        {name} {hint && <span className="hint">{hint}</span>}
      </label>
      {rows ? (
        <textarea id={id} rows={rows} maxLength={most} value={value} onChange={(event) => change(event.target.value)} />
      ) : (
        <input
          id={id}
          maxLength={most}
          value={value}
          {...(offers && { list: `${id}-offers` })}
          onChange={(event) => change(event.target.value)}
        />
      )}
      {offers && (
        <datalist id={`${id}-offers`}>
          {offers.map((offer) => (
            <option key={offer} value={offer} />
          ))}
        </datalist>
      )}
    </div>
  );
}
