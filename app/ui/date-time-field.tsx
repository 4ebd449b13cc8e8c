import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { lazy, Suspense, useId, useRef, useState } from "react";
import { wallHour, wallTime } from "../wall-time.ts";
import { Button } from "./button.tsx";
import { classes } from "./classes.ts";
import { SelectField } from "./field.tsx";
import { useSchool } from "./school.ts";
import { useFinePointer } from "./use-fine-pointer.ts";

const Month = lazy(() => import("./month.tsx"));

const HOURS = Array.from({ length: 24 }, (_, hour) => hour);
/** Every how many minutes can be chosen. A time that lies between two of them stays as it is. */
const STEP = 5;
const MINUTES = Array.from({ length: 60 / STEP }, (_, i) => i * STEP);
const twoDigits = (value: number) => String(value).padStart(2, "0");

/** An hour and a minute, `16:05`, said as the school says them. The browser's own field says them in its language. */
function TimeOfDay({ value, locale, change }: { value: string; locale: string; change: (time: string) => void }) {
  const [hour, minute] = value.split(":").map(Number) as [number, number];
  const minutes = MINUTES.includes(minute) ? MINUTES : [...MINUTES, minute].sort((a, b) => a - b);
  return (
    <fieldset className="flex items-end gap-1.5">
      <legend className="sr-only">Time</legend>
      <SelectField
        label="Hour"
        value={hour}
        onChange={(event) => change(`${twoDigits(Number(event.target.value))}:${twoDigits(minute)}`)}
      >
        {HOURS.map((each) => (
          <option key={each} value={each}>
            {wallHour(each, locale)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Minute"
        value={minute}
        onChange={(event) => change(`${twoDigits(hour)}:${twoDigits(Number(event.target.value))}`)}
      >
        {minutes.map((each) => (
          <option key={each} value={each}>
            {twoDigits(each)}
          </option>
        ))}
      </SelectField>
    </fieldset>
  );
}

interface Props {
  label: string;
  hint?: string;
  name: string;
  /** `2026-12-05T16:00`, in the school's zone. */
  defaultValue: string;
  problem?: string | undefined;
  className?: string;
}

/**
 * A date and a time. With a mouse it is a button that says them in the school's own way, and opens a month and a time.
 * On a touch screen, and before the script loads, it is the device's own field.
 */
export function DateTimeField({ label, hint, name, defaultValue, problem, className }: Props) {
  const id = useId();
  const fine = useFinePointer();
  const { locale } = useSchool();
  const [value, setValue] = useState(defaultValue);
  const [open, setOpen] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const date = value.slice(0, 10);
  const time = value.slice(11, 16);
  const described = problem ? { "aria-invalid": true as const, "aria-describedby": `${id}-problem` } : {};
  return (
    <div className={classes("field", className)}>
      <label htmlFor={id}>
        {label} {hint && <span className="hint">{hint}</span>}
      </label>
      {fine ? (
        <>
          <input ref={field} type="hidden" name={name} value={value} />
          <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger asChild>
              <Button id={id} look="quiet" className="justify-start border-ink/55 bg-raised" {...described}>
                <CalendarDays size={16} aria-hidden="true" />
                {wallTime(value, locale) || "Choose a date"}
              </Button>
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content align="start" sideOffset={4} collisionPadding={8} className="floating p-3">
                <Suspense
                  fallback={<div className="skeleton h-72 w-64" role="status" aria-label="Loading the month" />}
                >
                  <Month value={date} locale={locale} onChange={(day) => setValue(`${day}T${time || "16:00"}`)} />
                </Suspense>
                <div className="mt-2 flex items-end gap-3 border-t border-hair pt-2">
                  <TimeOfDay value={time || "16:00"} locale={locale} change={(at) => setValue(`${date}T${at}`)} />
                  <Button look="main" size="small" className="ml-auto" onClick={() => setOpen(false)}>
                    Done
                  </Button>
                </div>
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        </>
      ) : (
        <input
          id={id}
          type="datetime-local"
          name={name}
          defaultValue={value}
          required
          onChange={(event) => setValue(event.target.value)}
          {...described}
        />
      )}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="problem">
          {problem}
        </p>
      )}
    </div>
  );
}
