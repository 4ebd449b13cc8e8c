import { data } from "react-router";
import { z } from "zod";
import type { Problem } from "#core/formats/activity.ts";
import type { SignedIn } from "#server/auth/sign-in.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";
import { type Owned, whoseIs } from "#server/school/whose.ts";

export type Answer = { ok: true } | { ok: false; problems: Problem[] };

/**
 * Turns a refusal by the server into an answer that a page can show, and a missing record into a 404 page. `typed`
 * is answered back with a refusal, so that the form still shows it.
 */
export async function answered<T>(
  work: () => Promise<T>,
  typed: Record<string, string> = {},
): Promise<T | ReturnType<typeof data<{ ok: false; problems: Problem[]; typed: Record<string, string> }>>> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof NotAllowed)
      return data({ ok: false as const, problems: error.problems, typed }, { status: 422 });
    throw missing(error);
  }
}

/**
 * A record that does not exist and one that belongs to somebody else both give a 404, so that nobody can tell them
 * apart.
 */
export function missing(e: unknown): unknown {
  if (e instanceof NotFound)
    return data(
      { title: `There is no ${e.message} at this address.`, text: "It may be archived, or belong to another school." },
      { status: 404 },
    );
  return e;
}

export async function found<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    throw missing(error);
  }
}

/**
 * The same for an address that may be a colleague's: then the page says whose it is. Nothing else of it is shown, and
 * what belongs to another school is not there.
 */
export async function foundOwn<T>(who: SignedIn, kind: Owned, id: string, work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    const names = error instanceof NotFound ? await whoseIs(who, kind, id) : [];
    if (names.length === 0) throw missing(error);
    throw data(
      {
        title: `This ${kind === "assignment" ? "result" : kind} is ${names.join(" and ")}'s.`,
        text: "You can open only what is yours. Ask them to show it to you.",
      },
      { status: 403 },
    );
  }
}

const uuid = z.uuid();
export function idOf(value: string | undefined, what: string): string {
  const read = uuid.safeParse(value);
  if (read.success) return read.data;
  throw missing(new NotFound(what));
}
