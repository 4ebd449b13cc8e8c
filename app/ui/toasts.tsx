import { X } from "lucide-react";
import { Toast } from "radix-ui";
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { Form, useFetcher } from "react-router";
import { Button } from "./button.tsx";
import { useHydrated } from "./use-hydrated.ts";

/** How long a message stays, milliseconds. It stays longer while the pointer or the focus is on it. */
const STAYS = 9000;

/** The form that undoes something: its fields, and where they are sent. */
export interface Undo {
  fields: Record<string, string>;
  action: string;
  /** What is undone: `Undo` of `unsending Hallway climb`. */
  what: string;
}
interface Told {
  id: number;
  text: string;
  undo: Undo | null;
}

const Toasts = createContext<(text: string, undo?: Undo | null) => void>(() => undefined);
/** Shows a message in the corner of the page, with Undo in it if it can be undone. */
export const useToast = () => useContext(Toasts);

/** The place for messages that pass. It is in the frame of every teacher's page. */
export function ToastPlace({ children }: { children: ReactNode }) {
  const [list, setList] = useState<readonly Told[]>([]);
  const next = useRef(0);
  const tell = useCallback((text: string, undo: Undo | null = null) => {
    next.current += 1;
    const id = next.current;
    setList((was) => [...was.slice(-2), { id, text, undo }]);
  }, []);
  const drop = useCallback((id: number) => setList((was) => was.filter((told) => told.id !== id)), []);
  return (
    <Toasts.Provider value={tell}>
      <Toast.Provider duration={STAYS} label="Message" swipeDirection="right">
        {children}
        {list.map((told) => (
          <One key={told.id} told={told} drop={drop} />
        ))}
        <Toast.Viewport
          label="Messages ({hotkey})"
          className="fixed right-4 bottom-4 z-50 grid w-[min(26rem,calc(100vw-2rem))] gap-2 outline-none print:hidden"
        />
      </Toast.Provider>
    </Toasts.Provider>
  );
}

function One({ told, drop }: { told: Told; drop: (id: number) => void }) {
  const fetcher = useFetcher<{ ok?: boolean; problems?: { message: string }[] }>();
  const [asked, setAsked] = useState(false);
  const done = asked && fetcher.state === "idle" && fetcher.data !== undefined;
  const refused =
    done && fetcher.data?.ok === false ? (fetcher.data.problems?.[0]?.message ?? "That did not work.") : "";
  useEffect(() => {
    if (done && !refused) drop(told.id);
  }, [done, refused, drop, told.id]);
  return (
    <Toast.Root
      className="flex items-center gap-3 rounded-md bg-night px-4 py-2.5 text-chalk"
      onOpenChange={(open) => !open && drop(told.id)}
    >
      <Toast.Description className="min-w-0 grow">{refused || told.text}</Toast.Description>
      {told.undo && !refused && (
        <Toast.Action asChild altText={`Undo ${told.undo.what}`}>
          <Button
            size="small"
            className="border-mustard text-mustard hover:bg-chalk/10"
            aria-label={`Undo ${told.undo.what}`}
            disabled={fetcher.state !== "idle"}
            onClick={(event) => {
              // It closes by itself once it is undone.
              event.preventDefault();
              setAsked(true);
              void fetcher.submit(told.undo!.fields, { method: "post", action: told.undo!.action });
            }}
          >
            {fetcher.state === "idle" ? "Undo" : "Undoing …"}
          </Button>
        </Toast.Action>
      )}
      <Toast.Close
        className="grid size-7 shrink-0 place-items-center rounded-sm hover:bg-chalk/15"
        aria-label="Close message"
      >
        <X size={16} aria-hidden="true" />
      </Toast.Close>
    </Toast.Root>
  );
}

/**
 * Says what was done. With a script it is a message that passes; before the script it stands in the page, where its
 * Undo is a form. `of` changes with every answer, so that the same words are said again.
 */
export function Done({ text, undo = null, of }: { text: string; undo?: Undo | null; of: unknown }) {
  const tell = useToast();
  const hydrated = useHydrated();
  // Only what the page came with stands in the page.
  const [cameWith] = useState(() => (!hydrated && text !== "" ? { of } : null));
  const inPage = cameWith !== null && cameWith.of === of;
  const given = useRef<unknown>(undefined);
  const latest = useMemo(() => ({ text, undo }), [text, undo]);
  useEffect(() => {
    if (inPage || given.current === of || latest.text === "") return;
    given.current = of;
    tell(latest.text, latest.undo);
  }, [inPage, of, latest, tell]);
  if (!inPage || text === "") return null;
  return (
    <div role="status" className="note note-good mb-3 flex flex-wrap items-center gap-3">
      <span className="grow">{text}</span>
      {undo && (
        <Form method="post" action={undo.action}>
          {Object.entries(undo.fields).map(([name, value]) => (
            <input key={name} type="hidden" name={name} value={value} />
          ))}
          <Button type="submit" size="small" aria-label={`Undo ${undo.what}`}>
            Undo
          </Button>
        </Form>
      )}
    </div>
  );
}
