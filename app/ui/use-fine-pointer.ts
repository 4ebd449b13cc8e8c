import { useSyncExternalStore } from "react";

const TOUCH = "(pointer: coarse)";

/** True once the script runs on a device that is not a touch screen. There the device's own fields serve better. */
export const useFinePointer = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const media = matchMedia(TOUCH);
      media.addEventListener("change", changed);
      return () => media.removeEventListener("change", changed);
    },
    () => !matchMedia(TOUCH).matches,
    () => false,
  );
