import { data } from "react-router";
import { z } from "zod";
import type { Problem } from "#core/formats/activity.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";

export type Answer = { ok: true } | { ok: false; problems: Problem[] };

/** Turns a refusal by the server into an answer that a page can show, and a missing record into a 404 page. */
export async function answered<T>(
  work: () => Promise<T>,
): Promise<T | ReturnType<typeof data<{ ok: false; problems: Problem[] }>>> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof NotAllowed) return data({ ok: false as const, problems: error.problems }, { status: 422 });
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

const uuid = z.uuid();
export function idOf(value: string | undefined, what: string): string {
  const read = uuid.safeParse(value);
  if (read.success) return read.data;
  throw missing(new NotFound(what));
}
