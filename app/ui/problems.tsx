import type { Problem } from "#core/formats/activity.ts";

/** What cannot be taken, and what is allowed. Announced as soon as it appears. */
export function Problems({ list, title }: { list: readonly Problem[]; title?: string }) {
  if (list.length === 0) return null;
  return (
    <div role="alert" className="note">
      {title && <p className="font-bold">{title}</p>}
      <ul className="grid gap-1">
        {list.map((p) => (
          <li key={`${p.field} ${p.message}`} className="problem">
            {p.message}
          </li>
        ))}
      </ul>
    </div>
  );
}
