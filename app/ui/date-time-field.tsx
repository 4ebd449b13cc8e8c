import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { lazy, Suspense, useId, useRef, useState } from "react";
import { wallTime } from "../wall-time.ts";
import { Button } from "./button.tsx";
import { classes } from "./classes.ts";
import { useSchool } from "./school.ts";
import { useFinePointer } from "./use-fine-pointer.ts";

const Month = lazy(() => import("./month.tsx"));

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
                  <label className="field">
                    <span>Time</span>
                    <input
                      type="time"
                      value={time}
                      required
                      onChange={(event) => event.target.value && setValue(`${date}T${event.target.value}`)}
                    />
                  </label>
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
