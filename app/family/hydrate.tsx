import type { ComponentType } from "react";
import { hydrateRoot } from "react-dom/client";
import { PAGE_DATA, PAGE_ROOT } from "./island.tsx";

/** Hydrates a family page that the server has drawn with the same component and data. */
export function hydrate<P extends object>(Page: ComponentType<P>): void {
  const root = document.getElementById(PAGE_ROOT);
  const text = document.getElementById(PAGE_DATA)?.textContent;
  if (root && text) hydrateRoot(root, <Page {...(JSON.parse(text) as P)} />);
}
