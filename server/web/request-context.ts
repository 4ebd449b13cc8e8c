import { AsyncLocalStorage } from "node:async_hooks";

/** The data of one request. */
export interface RequestContext {
  /** Identifies the request in the log and in its response. */
  id: string;
  /** The caller's network address, as far as it can be trusted. */
  caller: string;
  /** What was looked up once for this request. */
  known: Map<string, Promise<unknown>>;
}

const scopes = new AsyncLocalStorage<RequestContext>();

/** Runs the handler of a request with a context of its own. */
export const runInContext = <T>(scope: RequestContext, work: () => T): T => scopes.run(scope, work);
export const currentContext = (): RequestContext | undefined => scopes.getStore();

/** Looks something up once for each request, however many loaders ask. Outside a request, each time. */
export function perRequestCache<T>(key: string, look: () => Promise<T>): Promise<T> {
  const known = currentContext()?.known;
  if (!known) return look();
  const before = known.get(key) as Promise<T> | undefined;
  if (before) return before;
  const asked = look();
  known.set(key, asked);
  return asked;
}
