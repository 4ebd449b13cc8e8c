import type { Round, TallyParams } from "./schema.ts";
export const walled = (params: TallyParams): boolean => params.rounds.some((eachRound) => eachRound.task === "rebound");
export const kept = (params: TallyParams): boolean => params.rounds.some((eachRound) => eachRound.task === "keepUp");
/** True if it is done in one place, so that room for it is cleared. */
export const inPlace = (params: TallyParams): boolean =>
  params.rounds.some(
    (eachRound) => eachRound.task === "keepUp" || eachRound.task === "catch" || eachRound.task === "exercise",
  );
/** True if nothing is sent at all. */
export const bare = (params: TallyParams): boolean => params.rounds.every((eachRound) => eachRound.task === "exercise");
export const tasksOf = (params: TallyParams): ReadonlySet<Round["task"]> =>
  new Set(params.rounds.map((eachRound) => eachRound.task));
/** The values for documents from earlier versions, which lack them. */
export const shuttleOf = (params: TallyParams): NonNullable<TallyParams["shuttle"]> =>
  params.shuttle ?? { action: "underarmThrow", distance: 2.5, item: "bucket", width: 0.28, height: 0.28 };
export const courseOf = (params: TallyParams): NonNullable<TallyParams["course"]> =>
  params.course ?? {
    action: "dribbleFoot",
    gates: [
      { kind: "weave", metres: 3 },
      { kind: "circle", metres: 2 },
      { kind: "stop", metres: 1 },
    ],
    miss: "gate",
  };
