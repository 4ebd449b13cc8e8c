import { LogOut } from "lucide-react";
import { Form, NavLink, Outlet } from "react-router";
import { shellOf } from "#server/school/classes.ts";
import { teacherOf } from "../session.server.ts";
import { Keys } from "../ui/keys.tsx";
import { Pending } from "../ui/pending.tsx";
import type { Route } from "./+types/teacher";

export async function loader({ request }: Route.LoaderArgs) {
  return shellOf(await teacherOf(request));
}

const PLACES = [
  ["/week", "Week"],
  ["/activities", "Activities"],
  ["/homes", "Homes"],
  ["/results", "Results"],
] as const;

export default function Teacher({ loaderData }: Route.ComponentProps) {
  const initial = loaderData.teacher.replace(/^(\w)\w* /, "$1. ");
  return (
    <div className="flex min-h-dvh flex-col">
      <Pending words="Working …" />
      <Keys />
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-mustard focus:p-2 focus:text-night"
      >
        To the content
      </a>
      <header className="flex h-[52px] shrink-0 items-center gap-6 border-b-2 border-ink px-6 print:hidden">
        <NavLink to="/week" className="flex items-center gap-2.5 font-head text-[1.35rem] font-bold">
          <img src="/mark.svg" alt="" width="26" height="26" />
          Daring Yard
        </NavLink>
        <nav aria-label="Main" className="flex h-full gap-1">
          {PLACES.map(([to, name]) => (
            <NavLink
              key={to}
              to={to}
              prefetch="intent"
              className={({ isActive }) =>
                `flex h-full items-center border-b-4 px-2.5 pt-1 font-semibold ${isActive ? "border-mustard" : "border-transparent hover:border-hair"}`
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <p className="ml-auto hidden text-quiet lg:block">{loaderData.school}</p>
        <p className="font-semibold max-lg:ml-auto">{initial}</p>
        <Form method="post" action="/sign-out">
          <button type="submit" className="btn btn-quiet btn-small" title="Sign out">
            <LogOut size={16} aria-hidden="true" />
            <span className="max-lg:sr-only">Sign out</span>
          </button>
        </Form>
      </header>
      <div id="main" className="flex grow flex-col" tabIndex={-1}>
        <Outlet />
      </div>
    </div>
  );
}
