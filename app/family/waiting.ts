import { useEffect, useState } from "react";
import { playsOfToken } from "./store.ts";
import { onSync } from "./sync.ts";

/** Goes handed in on this device that have not reached the school yet. */
export function useWaiting(token: string): number {
  const [n, set] = useState(0);
  useEffect(() => {
    const look = () =>
      void playsOfToken(token).then((all) => set(all.filter((p) => p.result && !p.receipt && !p.refused).length));
    look();
    return onSync(look);
  }, [token]);
  return n;
}
