import { Outlet, useLocation, useParams } from "react-router";
import { say } from "#words/say.ts";
import { troubleOf } from "../ui/error-message.ts";
import { Trouble } from "../ui/trouble.tsx";
import type { Route } from "./+types/family";

/** The frame of every family page. Errors inside it are explained in a family's words. */
export default function Family() {
  return <Outlet />;
}

/** Explains an error in a family's words. Whatever was played is stored on the device and will be sent. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const { token } = useParams();
  const { pathname } = useLocation();
  const { known, dead, title, text } = troubleOf(error);
  // A family is never sent to the teachers' side.
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
