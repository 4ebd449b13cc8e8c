import { Outlet, useLocation, useParams } from "react-router";
import { say } from "#words/say.ts";
import { troubleOf } from "../ui/error-message.ts";
import { Trouble } from "../ui/trouble.tsx";
import type { Route } from "./+types/family";

/** Around every page of a family: what goes wrong is said in a family's words. */
export default function Family() {
  return <Outlet />;
}

/** What went wrong, in a family's words; what was played is on the device, and follows itself. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const { token } = useParams();
  const { pathname } = useLocation();
  const { known, dead, title, text } = troubleOf(error);
  // Never to the teachers' side: a family has its own page, or none.
  const home = token && pathname.startsWith("/f/") ? `/f/${token}` : pathname;
  return (
    <Trouble
      title={known ? title : say("trouble.title")}
      text={known ? text : say("trouble.text")}
      to={dead ? null : home}
      way={say("trouble.again")}
    />
  );
}
