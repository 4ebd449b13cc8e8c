import { enSetUp } from "./en-set-up.ts";
import { setUpWords } from "./generated/set-up.ts";
import { addWords } from "./say.ts";

/** Importing this module adds the set-up sentences of every game. */
addWords(enSetUp);
addWords(setUpWords);
