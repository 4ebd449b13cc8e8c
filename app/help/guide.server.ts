import { Marked } from "marked";
import markdown from "../../docs/guide.md?raw";

/** Pictures of the guide by their file name, as they are served. */
const pictures: Record<string, string> = Object.fromEntries(
  Object.entries(
    import.meta.glob<string>("../../docs/screenshots/*.png", { eager: true, query: "?url", import: "default" }),
  ).map(([path, url]) => [path.split("/").at(-1)!, url]),
);
const idOf = (heading: string) => heading.toLowerCase().replace(/[^a-z0-9]+/g, "-");

/** A part of the guide, for the list at its top. */
export interface GuideSection {
  id: string;
  title: string;
}
let read: { html: string; parts: GuideSection[] } | undefined;
/**
 * The teacher's guide, from docs/guide.md: its HTML and its sections. Pictures come from the docs. Links to other
 * pages of the docs become plain text.
 */
export function guide(): { html: string; parts: GuideSection[] } {
  read ??= parsed();
  return read;
}
function parsed(): { html: string; parts: GuideSection[] } {
  const parts: GuideSection[] = [];
  const marked = new Marked({
    renderer: {
      heading({ tokens, depth, text }) {
        const id = idOf(text);
        if (depth === 2) parts.push({ id, title: text });
        return `<h${depth} id="${id}">${this.parser.parseInline(tokens)}</h${depth}>\n`;
      },
      image({ href, text }) {
        const url = pictures[href.split("/").at(-1)!];
        if (url === undefined) throw new Error(`docs/guide.md shows ${href}, which is not in docs/screenshots`);
        const narrow = href.includes("family-") ? ` class="narrow"` : "";
        return `<img src="${url}" alt="${text}" loading="lazy"${narrow}>`;
      },
      link({ href, tokens }) {
        const text = this.parser.parseInline(tokens);
        return href.startsWith("#") ? `<a href="${href}">${text}</a>` : text;
      },
    },
  });
  return { html: marked.parse(markdown, { async: false }), parts };
}
