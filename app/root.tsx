import atkinson from "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url";
import bricolage from "@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url";
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useLocation, useMatches } from "react-router";
import type { Route } from "./+types/root";
import { troubleOf } from "./ui/error-message.ts";
import { Trouble } from "./ui/trouble.tsx";
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

/** Family pages have a small script of their own. Only pages that need the router load its script. */
const bringsOwnScript = (handle: unknown) => (handle as { ownScript?: boolean } | undefined)?.ownScript === true;

export function Layout({ children }: { children: React.ReactNode }) {
  const own = useMatches().some((match) => bringsOwnScript(match.handle));
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
        {!own && (
          <>
            <ScrollRestoration />
            <Scripts />
          </>
        )}
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const { pathname } = useLocation();
  // A family that mistypes its link is not sent to the teachers' sign-in page.
  const family = pathname.startsWith("/f/") || pathname.startsWith("/c/");
  const { title, text } = troubleOf(error);
  return <Trouble title={title} text={text} to={family ? null : "/"} way="Home page" />;
}
