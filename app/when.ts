import { TZDate, tz } from "@date-fns/tz";
import { format } from "date-fns";

/** A time in the school's zone: `Wed 25 Nov, 16:00`. In another year than now: `Tue 25 Nov 2025, 16:00`. */
export const when = (instant: Date | string, zone: string, now = new Date()): string => {
  const year = (at: Date) => format(at, "yyyy", { in: tz(zone) });
  const at = new Date(instant);
  return format(at, year(at) === year(now) ? "EEE d MMM, HH:mm" : "EEE d MMM yyyy, HH:mm", { in: tz(zone) });
};
/** A day in the school's zone: `25 Nov`. */
export const day = (instant: Date | string, zone: string): string =>
  format(new Date(instant), "d MMM", { in: tz(zone) });
export const clockTime = (instant: Date | string, zone: string): string =>
  format(new Date(instant), "HH:mm", { in: tz(zone) });
export const dayKey = (instant: Date | string, zone: string): string =>
  format(new Date(instant), "yyyy-MM-dd", { in: tz(zone) });
/** The value of a `datetime-local` field, in the school's zone. */
export const localInput = (instant: Date | string, zone: string): string =>
  format(new Date(instant), "yyyy-MM-dd'T'HH:mm", { in: tz(zone) });

/** Reads the value of a `datetime-local` field as a time in the school's zone. Null if it is not one. */
export function fromLocalInput(text: string, zone: string): Date | null {
  const match = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/.exec(text);
  if (!match) return null;
  const [year, month, day, hour, minute] = match.slice(1).map(Number) as [number, number, number, number, number];
  const at = new TZDate(year, month - 1, day, hour, minute, zone);
  return Number.isNaN(at.getTime()) ? null : new Date(at.getTime());
}
