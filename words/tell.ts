import { enGame } from "./en-game.ts";
import { enRules } from "./en-rules.ts";
import { enTeacher } from "./en-teacher.ts";
import { gameWords } from "./games/all.ts";
import { addWords, say } from "./say.ts";

addWords(enGame);
for (const words of Object.values(gameWords)) addWords(words);
addWords(enTeacher);
addWords(enRules);

/** A sentence of the teacher's side with its parameters. */
export const tell = (key: keyof typeof enTeacher & string, params?: Record<string, string | number>): string =>
  say(key, params);
