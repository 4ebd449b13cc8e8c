import * as Comlink from "comlink";
import { foresee, rehearse } from "#core/rehearsal/rehearsal.ts";

const api = { rehearse, foresee: (rehearsing: Parameters<typeof foresee>[0]) => foresee(rehearsing) };
export type RehearsalWorker = typeof api;

Comlink.expose(api);
