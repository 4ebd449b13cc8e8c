import { type ComponentProps, type MouseEvent, useMemo, useSyncExternalStore } from "react";

/** Fires when the page changes its own address. The browser itself reports going back and forward. */
const visits = new EventTarget();
function subscribe(listener: () => void): () => void {
  visits.addEventListener("visit", listener);
  addEventListener("popstate", listener);
  return () => {
    visits.removeEventListener("visit", listener);
    removeEventListener("popstate", listener);
  };
}

/** Returns the query of the address and follows changes made without a request. On the server it is empty. */
export function useQuery(): URLSearchParams {
  const search = useSyncExternalStore(
    subscribe,
    () => location.search,
    () => "",
  );
  return useMemo(() => new URLSearchParams(search), [search]);
}

/** Options for a change of address. `replace` replaces the entry in the history; `stay` keeps the scroll position. */
interface Manner {
  replace?: boolean;
  stay?: boolean;
}
/** Shows another screen of the same page. `to` is its query, with the question mark. */
export function visit(to: string, { replace = false, stay = false }: Manner = {}): void {
  if (replace) history.replaceState(null, "", to);
  else history.pushState(null, "", to);
  visits.dispatchEvent(new Event("visit"));
  if (!stay) scrollTo(0, 0);
}

/** Leaves new tabs, downloads and the other mouse buttons to the browser. */
const isPlain = (event: MouseEvent) =>
  event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey;

/** Links to another screen of the same page. With scripts, no request is made. Without them, it works as an ordinary link. */
export function ScreenLink({
  to,
  replace,
  stay,
  ...anchor
}: Manner & { to: string } & Omit<ComponentProps<"a">, "href">) {
  return (
    <a
      {...anchor}
      href={to}
      onClick={(event) => {
        if (!isPlain(event)) return;
        event.preventDefault();
        visit(to, { ...(replace && { replace }), ...(stay && { stay }) });
      }}
    />
  );
}
