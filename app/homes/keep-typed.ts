import { isRouteErrorResponse } from "react-router";

/** The server could not be reached: the form stays, with everything typed, and tries again. */
export const UNSENT = { ok: false as const, unsent: true as const, problems: [], typed: null };

/** Runs a form's action; a network or server that is away answers `UNSENT` in place of an error page. What the server decided stays decided. */
export async function keepTyped<T>(serverAction: () => Promise<T>): Promise<T | typeof UNSENT> {
  try {
    return await serverAction();
  } catch (error) {
    if (error instanceof Response || isRouteErrorResponse(error)) throw error;
    return UNSENT;
  }
}
