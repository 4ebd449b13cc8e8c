import * as Comlink from "comlink";
import { foresee, rehearse } from "#core/rehearsal/rehearsal.ts";

const api = { rehearse, foresee: (r: Parameters<typeof foresee>[0]) => foresee(r) };
export type RehearsalWorker = typeof api;

Comlink.expose(api);
