import type { Problem } from "#core/formats/activity.ts";
import type { HomeAnswers } from "#core/records/home.ts";
import type { SurveyPart } from "#core/records/home-fields.ts";
import type { Item } from "#core/things/item.ts";
import type { Saving } from "./saving.ts";

export interface SurveyProps {
  part: SurveyPart;
  answers: HomeAnswers;
  /** What this family wants the teachers to know; absent where somebody else fills in the form. */
  familyNote?: string;
  /** Whose it is, where the link does not say. */
  name?: string;
  items: readonly Item[];
  /** Where a part is: the same page with another `part`. */
  to: (part: SurveyPart | "done") => string;
  /** Keeps what this device could not send yet under this name. */
  keepAs: string;
  saving: Saving;
  problems: readonly Problem[];
  /** What was typed and not taken, by field. */
  typed: Readonly<Record<string, string>> | null;
}

export type PartProps = SurveyProps & { ready?: boolean; changed?: () => void };
