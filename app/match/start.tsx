import { hydrate } from "../family/hydrate.tsx";
import { MatchPage } from "./match-page.tsx";

hydrate(MatchPage);
