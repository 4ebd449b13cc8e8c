import { runCommand } from "./commands.ts";

/** `npm run -s yard -- COMMAND`: one JSON document on standard input, one on standard output. */
const name = process.argv[2];
let text = "";
if (name !== undefined && name !== "help") for await (const chunk of process.stdin) text += chunk;
const { code, out, err } = runCommand(name, text);
process.stdout.write(out);
process.stderr.write(err);
process.exitCode = code;
