import { guide } from "../help/guide.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/guide";

export const meta: Route.MetaFunction = () => [{ title: "The teacher's guide · Daring Yard" }];

export const loader = () => guide();

/** Shows docs/guide.md inside the application. */
export default function Guide({ loaderData: { html, parts } }: Route.ComponentProps) {
  return (
    <Page>
      <nav aria-label="Parts of the guide" className="mb-6 max-w-5xl">
        <ul className="flex flex-wrap gap-x-4 gap-y-2">
          {parts.map(({ id, title }) => (
            <li key={id}>
              <a href={`#${id}`} className="underline">
                {title}
              </a>
            </li>
          ))}
        </ul>
      </nav>
      {/* Our own page of the docs: nothing in it was typed by anyone else. */}
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: the text ships with the application */}
      <div className="guide max-w-3xl" dangerouslySetInnerHTML={{ __html: html }} />
    </Page>
  );
}
