/** A property of the record itself. An item or a target may be called `constructor`. */
export const own = <T>(of: Readonly<Record<string, T>> | null | undefined, name: string): T | undefined =>
  of && Object.hasOwn(of, name) ? of[name] : undefined;
