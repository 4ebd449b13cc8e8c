import { format, parseISO } from "date-fns";
import { enGB } from "date-fns/locale/en-GB";
import { enUS } from "date-fns/locale/en-US";
import { DayPicker } from "react-day-picker";

/** A month to choose a day from. `value` and what is given back: `2026-12-05`. */
export default function Month({
  value,
  locale,
  onChange,
}: {
  value: string;
  locale: string;
  onChange: (day: string) => void;
}) {
  const selected = value ? parseISO(value) : undefined;
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      selected={selected}
      defaultMonth={selected ?? new Date()}
      onSelect={(day) => onChange(format(day, "yyyy-MM-dd"))}
      locale={locale === "en-US" ? enUS : enGB}
      classNames={{
        root: "month",
        month_caption: "month-caption",
        nav: "month-nav",
        button_previous: "month-step",
        button_next: "month-step",
        chevron: "month-chevron",
        weekday: "month-weekday",
        day: "month-day",
        selected: "month-selected",
        today: "month-today",
        outside: "month-outside",
      }}
    />
  );
}
