import { TZDate, tz } from "@date-fns/tz";
import { format } from "date-fns";
import { wallClock, wallTime } from "./wall-time.ts";

/** How a school tells the time: its zone, and how it writes dates. A zone alone stands for British English. */
export type Clock = string | { zone: string; locale: string };
const zoneOf = (clock: Clock) => (typeof clock === "string" ? clock : clock.zone);
const localeOf = (clock: Clock) => (typeof clock === "string" ? "en-GB" : clock.locale);

/** A time by the school's clock: `Wed 25 Nov, 16:00`. In another year than now: `Tue 25 Nov 2025, 16:00`. */
export const when = (instant: Date | string, clock: Clock, now = new Date()): string =>
  wallTime(localInput(instant, zoneOf(clock)), localeOf(clock), Number(localInput(now, zoneOf(clock)).slice(0, 4)));
/** A day by the school's clock: `25 Nov`. */
export const day = (instant: Date | string, clock: Clock): string =>
  wallTime(dayKey(instant, zoneOf(clock)), localeOf(clock));
/** A time of the day by the school's clock: `16:05`. */
export function clockTime(instant: Date | string, clock: Clock): string {
  const [hour, minute] = localInput(instant, zoneOf(clock)).slice(11).split(":") as [string, string];
  return wallClock(Number(hour), minute, localeOf(clock));
}
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
