import { useEffect } from "react";
import type { Problem } from "#core/formats/activity.ts";
import { problemText } from "./problem-text.ts";

/** Lists what cannot be accepted, and what is allowed. Screen readers announce it as soon as it appears. */
export function Problems({ list, title }: { list: readonly Problem[]; title?: string }) {
  // The focus moves to the first field with a problem, so that it can be corrected at once.
  const text = list.map((problem) => `${problem.field} ${problemText(problem.message)}`).join("; ");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for what is said, however often it is drawn
  useEffect(() => {
    for (const { field } of list) {
      const of = document.querySelector<HTMLElement>(`main [name="${CSS.escape(field)}"]:not([type=hidden])`);
      if (!of) continue;
      of.focus();
      return;
    }
  }, [text]);
  if (list.length === 0) return null;
  return (
    <div role="alert" className="note">
      {title && <p className="font-bold">{title}</p>}
      <ul className="grid gap-1">
        {list.map((problem) => (
          <li key={`${problem.field} ${problemText(problem.message)}`} className="problem">
            {problemText(problem.message)}
          </li>
        ))}
      </ul>
    </div>
  );
}
