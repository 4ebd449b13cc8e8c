import type { TargetLine } from "./by-target.server.ts";

/** Hits by target over the class: where it was easy, and where it stopped. */
export function ByTarget({ lines }: { lines: readonly TargetLine[] }) {
  if (lines.length === 0) return <p className="py-4 text-quiet">Hits at each target appear here after the first go.</p>;
  const rests = !lines.some((line) => /^[tlcm]\d/.test(line.id));
  return (
    <section className="max-w-3xl">
      <h2 className="mb-1 text-xl">{rests ? "Where they stopped" : "Hits by target"}</h2>
      <p className="mb-2 text-sm text-quiet">All attempts by the class, including goes that do not count.</p>
      <ul>
        {lines.map((line) => {
          const share = (100 * line.hits) / Math.max(1, line.sends);
          return (
            <li
              key={line.id}
              className="row-line grid grid-cols-[11rem_1fr_10rem] items-center gap-3 py-1.5 max-sm:grid-cols-[1fr_auto]"
            >
              <span className="font-semibold">{line.name}</span>
              <span className="block h-3 rounded-sm bg-hair max-sm:order-last max-sm:col-span-2" aria-hidden="true">
                <span className="drawn block h-3 rounded-sm bg-teal" style={{ width: `${share}%` }} />
              </span>
              <span className="text-right">
                {Math.round(share)}%, {line.hits} of {line.sends}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
