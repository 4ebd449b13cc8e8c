import { say } from "#words/say.ts";

/** Explains which keys do what. It is read out, and shown where there is room. */
export const Keys = ({ of }: { of: "any" | "count" | "places" | "targets" | "choose" | "sides" }) => (
  <p className="sr-only text-center text-sm text-quiet lg:not-sr-only">{say(`play.keys.${of}`)}</p>
);
