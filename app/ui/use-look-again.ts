import { useEffect } from "react";
import { useRevalidator } from "react-router";

/** So often, milliseconds. */
const LOOK_AGAIN = 2000;

/** While something of a page is still being worked out, the page looks again. */
export function useLookAgain(working: boolean): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    if (!working) return;
    const timer = setInterval(() => void revalidate(), LOOK_AGAIN);
    return () => clearInterval(timer);
  }, [working, revalidate]);
}
