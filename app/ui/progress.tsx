import "./nonce.ts";
import { Progress as Radix } from "radix-ui";
import { useState } from "react";
import { useLookAgain } from "./use-look-again.ts";

/** How much of some work is done, as a bar and in words. */
export function ProgressBar({ what, done, of, nouns }: { what: string; done: number; of: number; nouns: string }) {
  const words = `${what}: ${done} of ${of} ${nouns} done. You can leave this page.`;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3 text-sm text-quiet print:hidden">
      <Radix.Root
        value={done}
        max={of}
        getValueLabel={() => words}
        aria-label={what}
        className="drawn h-2.5 w-40 overflow-hidden rounded-sm bg-ink/10"
      >
        <Radix.Indicator className="block h-full bg-teal" style={{ width: `${(100 * done) / of}%` }} />
      </Radix.Root>
      <span role="status">{words}</span>
    </div>
  );
}

/** Less than this is done before anybody has read about it. */
const SHORT = 5;

/**
 * How far long work on the server is, looked at again every two seconds. It goes on by itself when the page is left.
 * The whole is the most that was left since the page was opened. `what`: "Updating cards". `left`: how many of the
 * `nouns` ("children") still wait.
 */
export function Progress({ left, ...words }: { what: string; left: number; nouns: string }) {
  const [most, setMost] = useState(left);
  if (left > most) setMost(left);
  if (left === 0 && most > 0) setMost(0);
  useLookAgain(left > 0);
  if (most < SHORT || left === 0) return null;
  return <ProgressBar done={most - left} of={most} {...words} />;
}
