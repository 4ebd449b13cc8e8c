import type { ReactNode } from "react";

/** Ids of the page's root element and of its data. */
export const PAGE_ROOT = "family-page";
export const PAGE_DATA = "family-data";

/** Writes JSON for use inside a page. `<` is escaped, so that no text in it can close the element. */
const asJson = (value: unknown) => JSON.stringify(value).replaceAll("<", "\\u003c");

/**
 * Renders a family page with its data and a script of its own, which then hydrates `children` from that data. `scripts` lists the entry
 * first, then its imports.
 */
export function Island({
  scripts,
  data,
  children,
}: {
  scripts: readonly string[];
  data: unknown;
  children: ReactNode;
}) {
  return (
    <>
      {scripts.map((href) => (
        <link key={href} rel="modulepreload" href={href} />
      ))}
      <div id={PAGE_ROOT}>{children}</div>
      <script
        id={PAGE_DATA}
        type="application/json"
        // biome-ignore lint/security/noDangerouslySetInnerHtml: JSON in which nothing can end the element
        dangerouslySetInnerHTML={{ __html: asJson(data) }}
      />
      <script type="module" src={scripts[0]} />
    </>
  );
}
