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
  const data: unknown = answer?.data;
  if (typeof data === "object" && data !== null && "title" in data && "text" in data)
    return { known: true, dead: "dead" in data, title: String(data.title), text: String(data.text) };
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
