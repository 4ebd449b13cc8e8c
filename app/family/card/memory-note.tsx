import { useEffect, useSyncExternalStore } from "react";
import { say } from "#words/say.ts";
import { inMemoryOnly, onMemory, unsentInMemory } from "../device/store.ts";

/** If this browser stores nothing, says so, and asks before a page with a go in it is closed. */
export function MemoryNote() {
  const only = useSyncExternalStore(onMemory, inMemoryOnly, () => false);
  useEffect(() => {
    if (!only) return;
    const ask = (event: BeforeUnloadEvent) => {
      if (unsentInMemory()) event.preventDefault();
    };
    addEventListener("beforeunload", ask);
    return () => removeEventListener("beforeunload", ask);
  }, [only]);
  if (!only) return null;
  return (
    <p role="status" className="bg-mustard px-4 py-2 text-base font-semibold text-night" data-not-kept>
      {say("card.notKept")}
    </p>
  );
}
