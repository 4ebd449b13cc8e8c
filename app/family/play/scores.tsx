import type { View } from "#core/referee/play.ts";
import { say, sayScore, sayWorking } from "#words/say.ts";
import type { attemptWords } from "#words/verbs.ts";
import type { Scene } from "./scene.ts";

/** The score of each side and how it adds up, the number of the attempt, and the score to beat. */
export function Scores({
  view,
  scene,
  attempt,
  sideNames,
  best,
  mark,
  hidden,
  children,
}: {
  view: View;
  scene: Scene;
  attempt: ReturnType<typeof attemptWords>;
  /** The names of a side. Null if one player plays alone. */
  sideNames: ((side: number) => string) | null;
  /** The best go of this card and the teacher's score to beat, if they can be compared. */
  best: string | null;
  mark: string | null;
  /** True if the child adds up the score, so that it is not shown. */
  hidden: boolean;
  children: React.ReactNode;
}) {
  const { onFloor } = scene;
  return (
    <div
      className={`shrink-0 text-right large:block large:text-left ${onFloor ? "flex items-end gap-5" : "grid content-center gap-2"}`}
    >
      {view.score.map((score, i) => {
        const now = i === view.side;
        return (
          <div key={score.players.join()} data-score className={now || !sideNames ? "" : "opacity-75"}>
            <p className="text-sm">
              {sideNames ? sideNames(i) : say(`unit.${score.unit}`, { value: score.value, ...attempt })}
            </p>
            <p
              className={`leading-none font-bold ${view.score.length > 2 ? "text-2xl" : "text-5xl short:text-3xl large:text-2xl"} ${now ? "text-mustard" : ""}`}
            >
              {hidden ? "?" : score.unit === "tenths" ? sayScore(score.value, score.unit) : score.value}
            </p>
            <p className={`max-w-36 text-base leading-tight ${onFloor ? "min-h-5" : ""}`}>
              {now && !hidden ? sayWorking(score.working) : ""}
            </p>
          </div>
        );
      })}
      {children}
      <div>
        <p className="text-sm text-chalk/85" hidden={!scene.numbered}>
          {say("play.try", {
            ...attempt,
            number: view.progress[view.side]!.sends + 1,
            cap: scene.cap === null ? "none" : String(scene.cap),
          })}
        </p>
        {best !== null && (
          <p className="text-sm text-chalk/85">
            {say("play.best")} <strong className="text-base">{best}</strong>
          </p>
        )}
        {mark !== null && (
          <p className="text-sm text-chalk/85">
            {say("play.mark")} <strong className="text-base">{mark}</strong>
          </p>
        )}
      </div>
    </div>
  );
}
