import atkinson from "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url";
import bricolage from "@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url";
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import type { Route } from "./+types/root";
import "./app.css";

export const links: Route.LinksFunction = () => [
  ...[atkinson, bricolage].map((href) => ({
    rel: "preload",
    href,
    as: "font",
    type: "font/woff2",
    crossOrigin: "anonymous" as const,
  })),
  { rel: "icon", href: "/mark.svg", type: "image/svg+xml" },
  { rel: "manifest", href: "/manifest.webmanifest" },
];

export function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="theme-color" content="#27463F" />
        <meta name="referrer" content="same-origin" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

/** One page for everything that cannot be shown: what is wrong, and where to go. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const known = isRouteErrorResponse(error);
  const title =
    known && typeof error.data === "object" && error.data?.title
      ? String(error.data.title)
      : known && error.status === 404
        ? "There is nothing at this address."
        : "That did not work.";
  const text =
    known && typeof error.data === "object" && error.data?.text
      ? String(error.data.text)
      : known && error.status === 404
        ? "Check the address, or go back to the start."
        : "It is our fault, not yours. Nothing you typed before was lost. Try again in a moment.";
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-6 pt-16">
      <svg viewBox="0 0 200 60" className="w-48" aria-hidden="true">
        <path d="M10 50 H190" stroke="currentColor" strokeWidth="3" strokeDasharray="6 7" />
        <circle cx="150" cy="38" r="9" fill="none" stroke="currentColor" strokeWidth="3" />
        <path d="M20 50 V14" stroke="var(--color-mustard)" strokeWidth="5" />
      </svg>
      <h1 className="text-3xl">{title}</h1>
      <p className="text-lg">{text}</p>
      <p>
        <a className="btn" href="/">
          To the start
        </a>
      </p>
    </main>
  );
}
