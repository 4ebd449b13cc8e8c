/** A line for the person at the terminal. */
export const say = (line) => process.stdout.write(`${line}\n`);

/** Ends the program with one clear line and no stack. */
export function give(up) {
  process.stderr.write(`${up}\n`);
  process.exit(1);
}
