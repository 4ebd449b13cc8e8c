import { isRouteErrorResponse } from "react-router";

interface ErrorMessage {
  /** True if we know what went wrong and say so. */
  known: boolean;
  /** True if the whole link is invalid, so that nothing behind it can be opened. */
  dead: boolean;
  title: string;
  text: string;
}

/** What an error page says about an error. */
export function troubleOf(error: unknown): ErrorMessage {
  const answer = isRouteErrorResponse(error) ? error : null;
  const said: unknown = answer?.data;
  if (typeof said === "object" && said !== null && "title" in said && "text" in said)
    return { known: true, dead: "dead" in said, title: String(said.title), text: String(said.text) };
  if (answer?.status === 404)
    return {
      known: true,
      dead: false,
      title: "There is nothing at this address.",
      text: "Check the address, or go back to the start.",
    };
  return {
    known: false,
    dead: false,
    title: "Something went wrong.",
    text: "This is our fault, not yours. Nothing you typed is lost. Try again in a moment.",
  };
}
