import { Search } from "lucide-react";
import { lazy, Suspense, useCallback, useEffect, useRef, useState } from "react";
import { Button } from "./button.tsx";
import { keyOfPage } from "./keys.tsx";

const load = () => import("./quick-find.tsx");
const QuickFind = lazy(load);

/**
 * Keeps the letters that are typed while the code of quick find is still on its way, and gives them out once.
 */
function useEarlyLetters(wanted: boolean): () => string {
  const letters = useRef("");
  const taken = useRef(false);
  useEffect(() => {
    if (!wanted || taken.current) return;
    const press = (event: KeyboardEvent) => {
      if (taken.current || event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return;
      event.preventDefault();
      event.stopPropagation();
      letters.current += event.key;
    };
    addEventListener("keydown", press, { capture: true });
    return () => removeEventListener("keydown", press, { capture: true });
  }, [wanted]);
  return useCallback(() => {
    taken.current = true;
    return letters.current;
  }, []);
}

/** Opens quick find, also by `/` and Ctrl-K. Its code is fetched when it is first needed. */
export function FindButton() {
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState(false);
  const early = useEarlyLetters(wanted);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const byLetter = event.key === "/" && keyOfPage(event);
      const byControl = event.key.toLowerCase() === "k" && (event.ctrlKey || event.metaKey) && !event.altKey;
      if (!byLetter && !byControl) return;
      event.preventDefault();
      setWanted(true);
      setOpen(true);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, []);
  return (
    <>
      <Button
        look="quiet"
        size="small"
        className="scripted font-normal text-quiet"
        aria-keyshortcuts="/ Control+K"
        title="Find (/)"
        onPointerEnter={() => void load()}
        onClick={() => {
          setWanted(true);
          setOpen(true);
        }}
      >
        <Search size={15} aria-hidden="true" /> Find
        <kbd className="rounded-sm border border-hair px-1.5 font-sans text-xs max-lg:hidden">/</kbd>
      </Button>
      {wanted && (
        <Suspense fallback={null}>
          <QuickFind open={open} setOpen={setOpen} takeEarly={early} />
        </Suspense>
      )}
    </>
  );
}
