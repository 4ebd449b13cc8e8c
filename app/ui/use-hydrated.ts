import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** False on the server and while the page comes to life, true from then on. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
