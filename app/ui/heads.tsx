/** The heads of a table, one for each column. An empty head has no name. */
export function Heads({ of }: { of: readonly string[] }) {
  return (
    <thead>
      <tr className="border-b-2 border-ink text-sm">
        {of.map((hash, i) => (
          <th key={hash || i} className="py-1.5 pr-3 font-semibold">
            {hash}
          </th>
        ))}
      </tr>
    </thead>
  );
}
