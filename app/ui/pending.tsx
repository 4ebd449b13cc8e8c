import { useFetchers, useNavigation } from "react-router";

/**
 * Says that something is in progress, once it takes longer than a third of a second (see app.css). Screen readers
 * announce it.
 */
export function Pending({ words }: { words: string }) {
  const busy = useNavigation().state !== "idle";
  const others = useFetchers().some((useFetcher) => useFetcher.state !== "idle");
  return (
    <div role="status" className={busy || others ? "pending" : "sr-only"}>
      {(busy || others) && <span className="sr-only">{words}</span>}
    </div>
  );
}
