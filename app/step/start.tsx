import { hydrate } from "../family/hydrate.tsx";
import { StepPage } from "./step-page.tsx";

hydrate(StepPage);
