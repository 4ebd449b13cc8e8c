/** The ways of writing dates and times that a school can choose, by their language tags. */
export const LOCALES = {
  "en-GB": { name: "English (United Kingdom)", monthFirst: false, halfDays: false },
  "en-IE": { name: "English (Ireland)", monthFirst: false, halfDays: false },
  "en-AU": { name: "English (Australia)", monthFirst: false, halfDays: true },
  "en-NZ": { name: "English (New Zealand)", monthFirst: false, halfDays: true },
  "en-CA": { name: "English (Canada)", monthFirst: true, halfDays: true },
  "en-US": { name: "English (United States)", monthFirst: true, halfDays: true },
} as const;
export type Locale = keyof typeof LOCALES;
export const isLocale = (text: string): text is Locale => Object.hasOwn(LOCALES, text);
