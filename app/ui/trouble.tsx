/** Shows any error in the same way: what is wrong, and where to go next. */
export function Trouble({
  title,
  text,
  to,
  way,
}: {
  title: string;
  text: string;
  /** Null if there is nowhere to go from here. */
  to: string | null;
  way: string;
}) {
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-6 pt-16">
      <svg viewBox="0 0 200 60" className="w-48" aria-hidden="true">
        <path d="M10 50 H190" stroke="currentColor" strokeWidth="3" strokeDasharray="6 7" />
        <circle cx="150" cy="38" r="9" fill="none" stroke="currentColor" strokeWidth="3" />
        <path d="M20 50 V14" stroke="var(--color-mustard)" strokeWidth="5" />
      </svg>
      <h1 className="text-3xl">{title}</h1>
      <p className="text-lg">{text}</p>
      {to && (
        <p>
          <a className="btn" href={to}>
            {way}
          </a>
        </p>
      )}
    </main>
  );
}
