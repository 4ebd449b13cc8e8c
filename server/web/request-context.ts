import { AsyncLocalStorage } from "node:async_hooks";

/** What belongs to one request and to nothing else. */
export interface RequestContext {
  /** Names the request in the log and in its answer. */
  id: string;
  /** Network address of the caller, as far as it can be believed. */
  caller: string;
  /** What was looked up once for this request. */
  known: Map<string, Promise<unknown>>;
}

const scopes = new AsyncLocalStorage<RequestContext>();

/** Runs what answers a request with a scope of its own. */
export const runInContext = <T>(scope: RequestContext, work: () => T): T => scopes.run(scope, work);
export const currentContext = (): RequestContext | undefined => scopes.getStore();

/** Looks something up once a request, however many loaders ask; outside a request each time. */
export function perRequestCache<T>(key: string, look: () => Promise<T>): Promise<T> {
  const known = currentContext()?.known;
  if (!known) return look();
  const before = known.get(key) as Promise<T> | undefined;
  if (before) return before;
  const asked = look();
  known.set(key, asked);
  return asked;
}
