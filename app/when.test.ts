import { describe, expect, it } from "vitest";
import { wallHour } from "./wall-time.ts";
import { clockTime, day, dayKey, fromLocalInput, localInput, when } from "./when.ts";

const LONDON = "Europe/London";

describe("times in the school's zone", () => {
  it("shows an instant as the school's clock does, summer and winter", () => {
    const now = new Date("2026-11-20T12:00:00Z");
    expect(when("2026-11-25T16:00:00Z", LONDON, now)).toBe("Wed 25 Nov, 16:00");
    expect(when("2026-07-01T16:00:00Z", LONDON, now)).toBe("Wed 1 Jul, 17:00");
    expect(clockTime("2026-07-01T16:05:00Z", "Asia/Kolkata")).toBe("21:35");
    expect(clockTime("2026-07-01T23:05:00Z", { zone: LONDON, locale: "en-US" })).toBe("12:05 am");
    expect(clockTime("2026-07-01T23:05:00Z", LONDON)).toBe("00:05");
    expect(dayKey("2026-07-01T23:30:00Z", LONDON)).toBe("2026-07-02");
  });
  it("adds the year if it is not this year, by the school's clock", () => {
    const now = new Date("2026-12-31T20:00:00Z");
    expect(when("2027-01-04T09:00:00Z", LONDON, now)).toBe("Mon 4 Jan 2027, 09:00");
    expect(when("2026-12-31T23:00:00Z", "Asia/Kolkata", now)).toBe("Fri 1 Jan, 04:30");
  });
  it("names an hour as the school's country does, at midnight and at noon too", () => {
    expect([0, 9, 12, 16].map((hour) => wallHour(hour, "en-US"))).toEqual(["12 am", "9 am", "12 pm", "4 pm"]);
    expect([0, 9, 12, 16].map((hour) => wallHour(hour, "en-GB"))).toEqual(["00", "09", "12", "16"]);
  });
  it("writes dates as the school's country does", () => {
    const now = new Date("2026-11-20T12:00:00Z");
    const at = (locale: string) => when("2026-11-25T16:05:00Z", { zone: LONDON, locale }, now);
    expect(at("en-US")).toBe("Wed, Nov 25, 4:05 pm");
    expect(at("en-AU")).toBe("Wed 25 Nov, 4:05 pm");
    expect(at("xx")).toBe("Wed 25 Nov, 16:05");
    expect(when("2027-01-04T00:09:00Z", { zone: LONDON, locale: "en-US" }, now)).toBe("Mon, Jan 4, 2027, 12:09 am");
    expect(day("2026-11-25T16:00:00Z", { zone: LONDON, locale: "en-US" })).toBe("Nov 25");
  });
  it("reads what a form gives back as the same instant", () => {
    for (const iso of [
      "2026-03-29T00:30:00.000Z",
      "2026-03-29T01:30:00.000Z",
      "2026-07-14T12:00:00.000Z",
      "2026-12-31T23:59:00.000Z",
    ])
      for (const zone of [LONDON, "America/New_York", "Asia/Kolkata", "UTC"])
        expect(fromLocalInput(localInput(iso, zone), zone)!.toISOString()).toBe(iso);
  });
  it("is null for what is not a time", () => {
    for (const text of ["", "tomorrow", "2026-13", "25/11/2026 16:00"]) expect(fromLocalInput(text, LONDON)).toBeNull();
  });
});
