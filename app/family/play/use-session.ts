import { useEffect, useLayoutEffect, useState, useSyncExternalStore } from "react";
import { PlaySession, type Snapshot } from "./session.ts";

/**
 * The session of a go, and what it shows: null while the go is read. The go must not change while the component lives;
 * give the component the id of the go as its key.
 */
export function useSession(
  input: ConstructorParameters<typeof PlaySession>[0],
): [session: PlaySession, snapshot: Snapshot | null] {
  const [session] = useState(() => new PlaySession(input));
  useLayoutEffect(() => session.update(input));
  useEffect(() => {
    void session.open();
    addEventListener("pagehide", session.flush);
    return () => {
      removeEventListener("pagehide", session.flush);
      session.close();
    };
  }, [session]);
  return [session, useSyncExternalStore(session.subscribe, session.getSnapshot, session.getSnapshot)];
}
