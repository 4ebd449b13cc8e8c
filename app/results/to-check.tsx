import { Check } from "./child-detail.tsx";
import type { ResultView } from "./view.server.ts";

/** The goes that a teacher should look at, each with what to do about it. Hidden while there are none. */
export function ToCheck({ view, open }: { view: ResultView; open: boolean }) {
  const list = view.rows.flatMap((row) =>
    row.goes.filter((go) => go.looks.length > 0 && !go.checked).map((go) => ({ row, go })),
  );
  if (list.length === 0) return null;
  return (
    <section className="mt-6 max-w-4xl">
      <h2 className="mb-1 text-xl">Check these</h2>
      <ul className="grid gap-2">
        {list.map(({ row, go }) => (
          <li key={go.id}>
            <p>
              <strong>{row.child}</strong>: {go.score}, {go.at}
            </p>
            <Check go={go} row={row} open={open} />
          </li>
        ))}
      </ul>
    </section>
  );
}
