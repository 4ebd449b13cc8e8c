import { data } from "react-router";
import { z } from "zod";
import type { Problem } from "#core/formats/activity.ts";
import { NotAllowed, NotFound } from "#server/problem.ts";

export type Answer = { ok: true } | { ok: false; problems: Problem[] };

/** Turns what the server refuses into an answer a page can show, and what does not exist into a 404 page. */
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

/** A thing that is not there, or not theirs, is a 404: both look the same. */
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
