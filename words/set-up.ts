import { enSetUp } from "./en-set-up.ts";
import { setUpWords } from "./generated/set-up.ts";
import { addWords } from "./say.ts";

/** How every game is set up can be said wherever this is imported. */
addWords(enSetUp);
addWords(setUpWords);
