import { FamilyPage, type FamilyPageData } from "./family-page.tsx";

/** Where the page is drawn, and what it is drawn from. */
export const PAGE_ROOT = "family-page";
export const PAGE_DATA = "family-data";

/** As JSON inside a page: nothing in it can end the element that it stands in. */
const asJson = (value: unknown) => JSON.stringify(value).replaceAll("<", "\\u003c");

/**
 * A page of a family as the server sends it: drawn, with what it was drawn from, and with a script of its own that takes over. `scripts`: the
 * entry first, then what it imports.
 */
export function Island({ scripts, ...page }: FamilyPageData & { scripts: readonly string[] }) {
  return (
    <>
      {scripts.map((href) => (
        <link key={href} rel="modulepreload" href={href} />
      ))}
      <div id={PAGE_ROOT}>
        <FamilyPage {...page} />
      </div>
      <script
        id={PAGE_DATA}
        type="application/json"
        // biome-ignore lint/security/noDangerouslySetInnerHtml: JSON in which nothing can end the element
        dangerouslySetInnerHTML={{ __html: asJson(page) }}
      />
      <script type="module" src={scripts[0]} />
    </>
  );
}
