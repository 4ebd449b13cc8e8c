import { Link, useSearchParams } from "react-router";

/** The classes of a teacher, as links to the same page. Hidden while there is only one. */
export function ClassChoice({ classes, chosen }: { classes: readonly { id: string; name: string }[]; chosen: string }) {
  const [search] = useSearchParams();
  if (classes.length < 2) return null;
  const to = (id: string) => {
    const next = new URLSearchParams(search);
    for (const name of ["find", "from", "deleted"]) next.delete(name);
    next.set("class", id);
    return `?${next}`;
  };
  return (
    <nav aria-label="Class" className="mb-4 flex flex-wrap gap-x-1 gap-y-1 print:hidden">
      {classes.map(({ id, name }) => (
        <Link
          key={id}
          to={to(id)}
          preventScrollReset
          aria-current={id === chosen ? "page" : undefined}
          className={`inline-flex min-h-9 items-center rounded-sm border-2 px-3 font-semibold ${id === chosen ? "border-ink bg-raised" : "border-transparent text-quiet hover:border-hair"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
