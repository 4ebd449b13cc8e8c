import type { ReactNode } from "react";
import { Link } from "react-router";
import { classes } from "./classes.ts";

/** A teacher's page: one grid and one width for all of them. */
export const Page = ({ children, className }: { children: ReactNode; className?: string }) => (
  <main className={classes("mx-auto w-full max-w-7xl px-6 py-5 max-sm:px-4", className)}>{children}</main>
);

/** Where this page belongs: its name and its address. */
export interface Above {
  to: string;
  name: string;
}

/** The head of a teacher's page: where it belongs, its title, a line about it, and its actions (the main one first). */
export const PageHead = ({
  title,
  above,
  about,
  children,
}: {
  title: ReactNode;
  above?: Above;
  about?: ReactNode;
  children?: ReactNode;
}) => (
  <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
    <div className="min-w-0 grow">
      {above && (
        <p className="text-sm leading-6">
          <Link to={above.to} className="inline-block min-h-6 text-quiet underline">
            {above.name}
          </Link>
          <span className="text-quiet" aria-hidden="true">
            {" "}
            ›
          </span>
        </p>
      )}
      <h1 className="text-3xl leading-tight">{title}</h1>
      {about && <div className="text-quiet">{about}</div>}
    </div>
    {children && <div className="flex flex-wrap items-center gap-2 print:hidden">{children}</div>}
  </div>
);

/** A figure with what it counts, in the head of a page. */
export const Figure = ({ value, what }: { value: ReactNode; what: ReactNode }) => (
  <p className="leading-tight">
    <strong className="block font-head text-2xl">{value}</strong>
    <span className="text-sm text-quiet">{what}</span>
  </p>
);

/** What will appear here, and the first step to it. */
export const Empty = ({ children }: { children: ReactNode }) => (
  <div className="grid justify-items-start gap-2 py-6 text-quiet">{children}</div>
);
