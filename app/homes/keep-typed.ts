import { isRouteErrorResponse } from "react-router";

/** The server could not be reached. The form keeps everything typed and tries again. */
export const UNSENT = { ok: false as const, unsent: true as const, problems: [], typed: null };

/**
 * Runs a form's action. If the network or the server is away, the answer is `UNSENT` instead of an error page.
 * Answers that come from the server are passed on.
 */
export async function keepTyped<T>(serverAction: () => Promise<T>): Promise<T | typeof UNSENT> {
  try {
    return await serverAction();
  } catch (error) {
    if (error instanceof Response || isRouteErrorResponse(error)) throw error;
    return UNSENT;
  }
}
