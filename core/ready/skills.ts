import type { Action } from "../actions/actions.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";

/** The skills that a teacher looks for, and the actions that train them. */
export const SKILLS = {
  rolling: ["underarmRoll", "slide", "straightArmBowl"],
  throwing: ["underarmThrow", "overarmThrow", "pushThrow"],
  kicking: ["kick", "dribbleFoot"],
  striking: ["shortStrike", "longStrike", "twoHandStrike", "handStrike", "forehand", "backhand", "dribbleStick"],
  catching: ["catch", "tossCatch"],
  control: ["keepUp", "carry", "balance"],
} as const satisfies Record<string, readonly Action[]>;
export type Skill = keyof typeof SKILLS;
export const skillOf = (action: Action): Skill | null =>
  (Object.keys(SKILLS) as Skill[]).find((key) => (SKILLS[key] as readonly Action[]).includes(action)) ?? null;

/** The skills that an activity can train. */
export const skillsOf = (activity: Activity): Skill[] =>
  (Object.keys(SKILLS) as Skill[]).filter((key) => SKILLS[key].some((text) => opened(activity).pattern.actions(text)));
