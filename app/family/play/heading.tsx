import { countedIn, say } from "#words/say.ts";
import type { CardData } from "../card/card-data.ts";
import { lineText } from "./own-line.tsx";
import type { Scene } from "./scene.ts";
import type { Snapshot } from "./session.ts";
import { useWakeLock } from "./use-wake-lock.ts";

const DETAIL = "text-lg text-chalk/90 short:text-base";
const OWN = "text-lg font-semibold text-mustard short:text-base";

/** What to do now, whose turn it is, and why something did not count. */
export function Heading({
  snapshot,
  scene,
  data,
  practice,
  turn,
}: {
  snapshot: Snapshot;
  scene: Scene;
  data: CardData;
  practice: boolean;
  /** Whose turn it is, if several people play. */
  turn: string | null;
}) {
  const awake = useWakeLock();
  const { message: told, clock, heard } = snapshot;
  const manner = scene.asked && "manner" in scene.asked ? scene.asked.manner : undefined;
  const marker = data.card.markers.find((place) => place.id === scene.now);
  const { off } = data.card.activity;
  return (
    <div className="min-w-0 grow basis-36">
      <p className="sr-only" role="status" data-heard>
        {heard}
      </p>
      {practice && <p className="font-semibold text-mint">{say("play.practice")}</p>}
      {turn !== null && <p className="font-bold text-mustard">{say("play.turn", { name: turn })}</p>}
      <h1 className="text-[1.75rem] leading-tight short:text-xl">{scene.doNow}</h1>
      {manner?.nearer !== undefined && manner.nearer !== 0 && (
        <p className={OWN}>{say("play.standAt", { where: lineText(manner.nearer, data.card.step) })}</p>
      )}
      {manner?.wider !== undefined && <p className={OWN}>{say("play.wide")}</p>}
      {scene.object && <p className={OWN}>{say("play.with", { item: scene.object })}</p>}
      {off && scene.asked?.kind === "send" && <p className={DETAIL}>{say(`off.${off}`)}</p>}
      {marker && (
        <p className={DETAIL}>{say("setup.dist", { ...countedIn(marker), metres: marker.reached.toFixed(1) })}</p>
      )}
      <p
        className={`min-h-6 font-semibold text-mustard short:min-h-0 short:leading-tight ${told || clock ? "" : "short:text-sm large:sr-only"}`}
        role="status"
      >
        {told || clock || (awake ? "" : say("play.mayDim"))}
      </p>
    </div>
  );
}
