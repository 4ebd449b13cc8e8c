import { enCall } from "#words/en-call.ts";
import { addWords } from "#words/say.ts";

addWords(enCall);
