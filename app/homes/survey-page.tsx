import { ClassSurvey, type ClassSurveyData } from "./class-survey.tsx";
import { HomeSurvey, type HomeSurveyData } from "./home-survey.tsx";

export type SurveyPageData = { page: "home"; data: HomeSurveyData } | { page: "class"; data: ClassSurveyData };

/** The survey of a home, opened through a family's link or a class's link. */
export const SurveyPage = (given: SurveyPageData) =>
  given.page === "home" ? <HomeSurvey data={given.data} /> : <ClassSurvey data={given.data} />;
