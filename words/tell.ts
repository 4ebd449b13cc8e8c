import type { Action } from "#core/actions/actions.ts";
import type { ScoreUnit } from "#core/records/score-text.ts";
import { enCall } from "./en-call.ts";
import { enFull } from "./en-full.ts";
import { enGame } from "./en-game.ts";
import { enMatch } from "./en-match.ts";
import { enPaper } from "./en-paper.ts";
import { enRules } from "./en-rules.ts";
import { enTeacher } from "./en-teacher.ts";
import { gameWords } from "./generated/all.ts";
import { ruleWords } from "./generated/rules.ts";
import { addWords, say, sayScore } from "./say.ts";
import "./set-up.ts";
import { ANY_ATTEMPT, attemptWordsForTeacher } from "./verbs.ts";

addWords(enGame);
addWords(enCall);
addWords(enFull);
addWords(enMatch);
addWords(enPaper);
for (const words of Object.values(gameWords)) addWords(words);
addWords(enTeacher);
addWords(enRules);
addWords(ruleWords);

/** A sentence of the teacher's side with its parameters. The noun for attempts comes from `attemptWordsForTeacher`. */
export const tell = (key: keyof typeof enTeacher & string, params?: Record<string, string | number>): string =>
  say(key, { ...ANY_ATTEMPT, ...params });

/** A score with its unit as a teacher reads it: `12 rolls`. Without an action: `12 attempts`. */
export const tellScore = (value: number, unit: ScoreUnit, action?: Action): string =>
  sayScore(value, unit, action ? attemptWordsForTeacher(action) : ANY_ATTEMPT);
