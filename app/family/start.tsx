import { hydrateRoot } from "react-dom/client";
import { FamilyPage, type FamilyPageData } from "./family-page.tsx";
import { PAGE_DATA, PAGE_ROOT } from "./island.tsx";

/** Hydrates a family page that the server has drawn. */
const root = document.getElementById(PAGE_ROOT);
const text = document.getElementById(PAGE_DATA)?.textContent;
if (root && text) hydrateRoot(root, <FamilyPage {...(JSON.parse(text) as FamilyPageData)} />);
