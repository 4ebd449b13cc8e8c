import { isLocale, LOCALES } from "#core/measures/locales.ts";

const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const WALL = /^(\d{4})-(\d{2})-(\d{2})(?:T(\d{2}):(\d{2}))?/;

const styleOf = (locale: string) => LOCALES[isLocale(locale) ? locale : "en-GB"];

/** An hour of the day, 0 to 23, as the school writes it: `16`, or `4 pm`. */
export const wallHour = (hour: number, locale: string): string =>
  styleOf(locale).halfDays ? `${hour % 12 || 12} ${hour < 12 ? "am" : "pm"}` : String(hour).padStart(2, "0");

/** A time of the day, hour and minute, as the school writes it: `16:05`, or `4:05 pm`. */
export function wallClock(hour: number, minute: string, locale: string): string {
  if (!styleOf(locale).halfDays) return `${String(hour).padStart(2, "0")}:${minute}`;
  return `${hour % 12 || 12}:${minute} ${hour < 12 ? "am" : "pm"}`;
}

/**
 * What a school's clock and calendar say, as the school writes it: `2026-12-05T16:00` is `Sat 5 Dec, 16:00` or
 * `Sat, Dec 5, 4:00 pm`. In another year than `thisYear` the year is added. A date without a time, `2026-12-05`, has no
 * weekday: `5 Dec`. Empty if the text is not a date.
 */
export function wallTime(text: string, locale: string, thisYear?: number): string {
  const match = WALL.exec(text);
  if (!match) return "";
  const [year, month, day] = match.slice(1, 4).map(Number) as [number, number, number];
  const style = styleOf(locale);
  const name = MONTHS[month - 1]!;
  const withYear = thisYear !== undefined && thisYear !== year;
  const date = style.monthFirst
    ? `${name} ${day}${withYear ? `, ${year}` : ""}`
    : `${day} ${name}${withYear ? ` ${year}` : ""}`;
  if (match[4] === undefined) return date;
  const time = wallClock(Number(match[4]), match[5]!, locale);
  const weekday = DAYS[new Date(Date.UTC(year, month - 1, day)).getUTCDay()];
  return `${weekday}${style.monthFirst ? "," : ""} ${date}, ${time}`;
}
