import { useEffect } from "react";
import { useRevalidator } from "react-router";

/** How often the page checks again, in milliseconds. */
const LOOK_AGAIN = 2000;

/** Reloads the page's data every two seconds while the server is still computing part of it. */
export function useLookAgain(working: boolean): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    if (!working) return;
    const timer = setInterval(() => void revalidate(), LOOK_AGAIN);
    return () => clearInterval(timer);
  }, [working, revalidate]);
}
