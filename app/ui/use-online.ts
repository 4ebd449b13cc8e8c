import { useSyncExternalStore } from "react";

function listen(told: () => void): () => void {
  addEventListener("online", told);
  addEventListener("offline", told);
  return () => {
    removeEventListener("online", told);
    removeEventListener("offline", told);
  };
}
/** True if the device says that it has a network. */
export const useOnline = (): boolean =>
  useSyncExternalStore(
    listen,
    () => navigator.onLine,
    () => true,
  );
