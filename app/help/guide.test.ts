import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { guide } from "./guide.server.ts";

const markdown = readFileSync(new URL("../../docs/guide.md", import.meta.url), "utf8");

describe("the teacher's guide in the application", () => {
  const { html, parts } = guide();

  it("lists its parts, each of which its link leads to", () => {
    expect(parts.map(({ title }) => title)).toEqual([...markdown.matchAll(/^## (.+)$/gm)].map(([, title]) => title));
    for (const { id } of parts) expect(html).toContain(`<h2 id="${id}">`);
    expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length);
  });

  it("shows every picture with its name, and leaves no link that leads nowhere", () => {
    const pictures = [...markdown.matchAll(/!\[([^\]]+)\]\(screenshots\/([^)]+)\)/g)];
    expect(pictures.length).toBeGreaterThan(10);
    for (const [, alt] of pictures) expect(html).toContain(`alt="${alt}"`);
    for (const [, src] of html.matchAll(/<img src="([^"]*)"/g)) expect(src).toMatch(/\.png$/);
    for (const [, href] of html.matchAll(/<a href="([^"]*)"/g)) expect(href).toMatch(/^#/);
  });
});
