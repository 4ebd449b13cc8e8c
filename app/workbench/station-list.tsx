import { memo } from "react";
import { Link, useSearchParams } from "react-router";
import type { Activity } from "#core/formats/activity.ts";
import { answerOf, STATIONS, type Station, stationName } from "./stations.ts";

/** Gives the address of each station, with what else the address holds: the class and a score to beat. */
export function useStationAddress(): (station: Station) => string {
  const [search] = useSearchParams();
  return (station) => {
    const next = new URLSearchParams(search);
    next.set("station", station);
    return `?${next}`;
  };
}

/**
 * The plan of the lesson, one line for each station. The entries are links, so that they work before the script
 * loads.
 */
export const Stations = memo(function Stations({ activity, station }: { activity: Activity; station: Station }) {
  const addressOf = useStationAddress();
  return (
    <nav aria-label="Stations" className="max-[700px]:overflow-x-auto min-[1101px]:overflow-y-auto">
      <ol className="relative grid gap-1 max-[700px]:flex max-[700px]:w-max max-[700px]:gap-4 max-[700px]:pb-1">
        <li
          aria-hidden="true"
          className="absolute top-6 bottom-8 left-[12px] border-l-2 border-dashed border-hair max-[700px]:hidden"
        />
        {STATIONS.map((text, i) => (
          <li key={text} className="relative">
            <Link
              to={addressOf(text)}
              replace
              preventScrollReset
              aria-current={text === station ? "step" : undefined}
              className="grid w-full grid-cols-[26px_1fr] gap-x-3 rounded-sm py-1.5 text-left max-[700px]:gap-x-2"
            >
              <span
                className={`grid size-[26px] place-items-center rounded-full border-2 border-ink text-sm font-bold ${text === station ? "bg-mustard text-night" : "bg-page"}`}
              >
                {i + 1}
              </span>
              <span>
                <span
                  className={`font-head text-[1.05rem] font-bold ${text === station ? "border-b-4 border-mustard" : ""}`}
                >
                  {stationName[text]}
                </span>
                <span className="line-clamp-2 max-[700px]:hidden text-[0.86rem] leading-snug text-quiet">
                  {answerOf(text, activity)}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
});
