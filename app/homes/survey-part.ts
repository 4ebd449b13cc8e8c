import type { Problem } from "#core/formats/activity.ts";
import type { Item } from "#core/items/item.ts";
import type { HomeAnswers } from "#core/records/home.ts";
import type { SurveyPart } from "#core/records/home-fields.ts";
import type { Saving } from "./saving.ts";

export interface SurveyProps {
  part: SurveyPart;
  answers: HomeAnswers;
  /** What this family wants the teachers to know. Left out if somebody else fills in the form. */
  familyNote?: string;
  /** The child's name, if the link does not say whose home it is. */
  name?: string;
  items: readonly Item[];
  /** The address of a part: the same page with another `part`. */
  to: (part: SurveyPart | "done") => string;
  /** The name under which answers that could not be sent are stored on this device. */
  keepAs: string;
  saving: Saving;
  problems: readonly Problem[];
  /** What was typed and not accepted, by field. */
  typed: Readonly<Record<string, string>> | null;
}

export type PartProps = SurveyProps & { ready?: boolean; changed?: () => void };
