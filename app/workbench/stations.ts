import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity, Problem } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { itemName, namesOf, sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";

export const STATIONS = ["aim", "cues", "kit", "yard", "score", "players", "levels", "send"] as const;
export type Station = (typeof STATIONS)[number];
export const stationName: Record<Station, string> = {
  aim: "Aim",
  cues: "Cues",
  kit: "Kit",
  yard: "Yard",
  score: "Score",
  players: "Players",
  levels: "Levels",
  send: "Send",
};

/** The station's settings in one line, so that the column reads as the plan of the lesson. */
export function answerOf(text: Station, activity: Activity): string {
  const { pegs, summary } = opened(activity);
  const many = pegs.reduce((sum, peg) => sum + (peg.many ?? 1), 0);
  const far = Math.max(...pegs.map((peg) => peg.distance));
  const near = Math.min(...pegs.map((peg) => peg.distance));
  switch (text) {
    case "aim":
      return activity.aim.outcome || `${label(`action.${activity.aim.action}`)}, no outcome yet`;
    case "cues":
      return `${activity.cues.length} cues, ${activity.criteria.length} criteria`;
    case "kit":
      return `${itemName(activity.kit.send, namesOf(activity.kit.own))}, ${itemName(activity.kit.marker, namesOf(activity.kit.own))} for lines`;
    case "yard":
      return pegs.length === 0
        ? `${activity.space.length} × ${activity.space.width} m`
        : `${many} ${tell(`pegs.${pegs[0]!.kind}`, { count: many })}, ${near === far ? "" : `${near}–`}${far} m`;
    case "score":
      return sayPhrase(summary, {}, attemptWordsForTeacher(activity.aim.action));
    case "players":
      return `${activity.players.least === activity.players.most ? activity.players.least : `${activity.players.least}–${activity.players.most}`}, ${activity.players.modes.map((mode) => label(`mode.${mode}`).replace(/ \(.*/, "")).join(", ")}`;
    case "levels":
      return activity.levels
        ? `${activity.levels.list.length} levels, ${Math.round(100 * activity.levels.low)}–${Math.round(100 * activity.levels.high)}% ${activity.levels.of === "end" ? "finish" : "hits"}`
        : "Everyone plays the game as designed";
    case "send":
      return activity.minutes === 1 ? "About 1 minute" : `About ${activity.minutes} minutes`;
  }
}

export interface PanelProps {
  activity: Activity;
  problems: readonly Problem[];
  change: (next: Activity, key?: string) => void;
  chosen: string | null;
  choose: (id: string | null) => void;
  /** The typical child of the class shown. */
  middle: Who;
  /** The youngest, the typical and the oldest child. Only some stations use them. */
  people?: readonly Who[];
}
