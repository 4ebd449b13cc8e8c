import { useEffect, useState } from "react";

/** Keeps the screen awake during a game if the device allows it. Returns whether it does. */
export function useWakeLock(): boolean {
  const [awake, setAwake] = useState(true);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      lock = "wakeLock" in navigator ? await navigator.wakeLock.request("screen").catch(() => null) : null;
      if (left) void lock?.release();
      else setAwake(lock !== null);
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
  return awake;
}
