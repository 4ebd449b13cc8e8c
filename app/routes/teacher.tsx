import { LogOut, Settings } from "lucide-react";
import { useEffect, useRef } from "react";
import { Form, NavLink, Outlet, useLocation } from "react-router";
import { shellOf } from "#server/school/classes.ts";
import { teacherOf } from "../session.server.ts";
import { Button } from "../ui/button.tsx";
import { FindButton } from "../ui/find-button.tsx";
import { Keys } from "../ui/keys.tsx";
import { Pending } from "../ui/pending.tsx";
import { ToastPlace } from "../ui/toasts.tsx";
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

/** After a page was replaced together with what had the focus, the next Tab key starts at the new page and not at the header. */
function useFocusOnNewPage() {
  const { pathname } = useLocation();
  const main = useRef<HTMLDivElement>(null);
  const shown = useRef(pathname);
  useEffect(() => {
    if (shown.current === pathname) return;
    shown.current = pathname;
    if (document.activeElement === document.body) main.current?.focus({ preventScroll: true });
  }, [pathname]);
  return main;
}

export default function Teacher({ loaderData }: Route.ComponentProps) {
  const main = useFocusOnNewPage();
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
      <header className="flex min-h-[52px] shrink-0 flex-wrap items-center gap-x-6 border-b-2 border-ink px-6 max-sm:gap-x-3 max-sm:px-4 print:hidden">
        <NavLink to="/week" className="flex items-center gap-2.5 font-head text-[1.35rem] font-bold">
          <img src="/mark.svg" alt="" width="26" height="26" />
          Daring Yard
        </NavLink>
        <nav
          aria-label="Main"
          className="flex h-[50px] gap-1 max-md:order-last max-md:h-11 max-md:w-full max-md:justify-between max-md:gap-0"
        >
          {PLACES.map(([to, name]) => (
            <NavLink
              key={to}
              to={to}
              prefetch="intent"
              className={({ isActive }) =>
                `flex h-full items-center border-b-4 px-2.5 pt-1 font-semibold max-sm:px-1 ${isActive ? "border-mustard" : "border-transparent hover:border-hair"}`
              }
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <span className="ml-auto">
          <FindButton />
        </span>
        <NavLink
          to="/settings"
          prefetch="intent"
          className={({ isActive }) =>
            `inline-flex min-h-9 items-center gap-2 rounded-sm px-2 hover:bg-ink/8 ${isActive ? "font-bold" : "text-quiet"}`
          }
        >
          <Settings size={17} aria-hidden="true" />
          <span className="max-xl:sr-only">{loaderData.school}</span>
          <span className="sr-only">Settings</span>
        </NavLink>
        <p className="font-semibold max-lg:hidden">{initial}</p>
        <Form method="post" action="/sign-out">
          <Button type="submit" look="quiet" size="small" title="Sign out">
            <LogOut size={16} aria-hidden="true" />
            <span className="max-xl:sr-only">Sign out</span>
          </Button>
        </Form>
      </header>
      <div id="main" ref={main} className="flex grow flex-col outline-none" tabIndex={-1}>
        <ToastPlace>
          <Outlet />
        </ToastPlace>
      </div>
    </div>
  );
}
