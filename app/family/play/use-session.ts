import { useEffect, useLayoutEffect, useState, useSyncExternalStore } from "react";
import { PlaySession, type Snapshot } from "./session.ts";

/**
 * The session of a go and its current snapshot, which is null until the go has been read. The go must not change
 * while the component is mounted: use the go's id as the component's key.
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
