import { hydrate } from "../family/hydrate.tsx";
import { SurveyPage } from "./survey-page.tsx";

hydrate(SurveyPage);
