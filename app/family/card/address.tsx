import { type ComponentProps, type MouseEvent, useMemo, useSyncExternalStore } from "react";

/** Tells that the page has changed its own address; going back and forward is told by the browser. */
const visits = new EventTarget();
function subscribe(listener: () => void): () => void {
  visits.addEventListener("visit", listener);
  addEventListener("popstate", listener);
  return () => {
    visits.removeEventListener("visit", listener);
    removeEventListener("popstate", listener);
  };
}

/** The query of the address, as it changes without a request. Empty on the server. */
export function useQuery(): URLSearchParams {
  const search = useSyncExternalStore(
    subscribe,
    () => location.search,
    () => "",
  );
  return useMemo(() => new URLSearchParams(search), [search]);
}

/** How an address takes the place of the one before it: in the history as well (`replace`), and with the page where it is scrolled to (`stay`). */
interface Manner {
  replace?: boolean;
  stay?: boolean;
}
/** Shows another screen of the same page. `to`: its query, with the question mark. */
export function visit(to: string, { replace = false, stay = false }: Manner = {}): void {
  if (replace) history.replaceState(null, "", to);
  else history.pushState(null, "", to);
  visits.dispatchEvent(new Event("visit"));
  if (!stay) scrollTo(0, 0);
}

/** A new tab, a download or another button is the browser's own business. */
const isPlain = (event: MouseEvent) =>
  event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey;

/** A link to another screen of the same page: with a script nothing is asked of the server, without one it is a link like any other. */
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
