import { useFetchers, useNavigation } from "react-router";

/** A sign that something is under way, shown once it takes longer than a third of a second (see app.css); said aloud as well. */
export function Pending({ words }: { words: string }) {
  const busy = useNavigation().state !== "idle";
  const others = useFetchers().some((useFetcher) => useFetcher.state !== "idle");
  return (
    <div role="status" className={busy || others ? "pending" : "sr-only"}>
      {(busy || others) && <span className="sr-only">{words}</span>}
    </div>
  );
}
