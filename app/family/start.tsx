import { FamilyPage } from "./family-page.tsx";
import { hydrate } from "./hydrate.tsx";

hydrate(FamilyPage);
