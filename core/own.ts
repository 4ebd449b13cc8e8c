/** What a record holds under a name itself: a thing or a target may well be called `constructor`. */
export const own = <T>(of: Readonly<Record<string, T>> | null | undefined, name: string): T | undefined =>
  of && Object.hasOwn(of, name) ? of[name] : undefined;
