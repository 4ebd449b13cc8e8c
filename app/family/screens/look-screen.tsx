import { say } from "#words/say.ts";
import { ExerciseList } from "../../ui/exercises.tsx";
import type { CardData, Ticks } from "../card/card-data.ts";

export function LookScreen({
  data,
  ticks,
  setTicks,
}: {
  data: CardData;
  ticks: Ticks;
  setTicks: (givenTicks: Ticks) => void;
}) {
  const { cautions, grownUp, activity } = data.card;
  const turn = (text: string) =>
    setTicks({
      ...ticks,
      look: ticks.look.includes(text) ? ticks.look.filter((eachText) => eachText !== text) : [...ticks.look, text],
    });
  // After an earlier check on the same day, one tick confirms that nothing has changed. A grown-up's yes is needed
  // each time.
  const again = ticks.of !== null;
  const still = cautions.every((caution) => ticks.look.includes(caution));
  const row = "flex min-h-16 items-center gap-4 rounded-md border-2 p-3 text-lg";
  return (
    <>
      <h1 className="mb-1 text-3xl">{say("look.title")}</h1>
      <p className="mb-4 text-lg">{say(again ? "look.again" : "look.tickAll")}</p>
      <ul className="grid gap-2">
        {again && (
          <li>
            <label className={`${row} ${still ? "border-teal bg-mint/25" : "border-coral bg-raised"}`}>
              <input
                type="checkbox"
                className="size-7 shrink-0"
                checked={still}
                onChange={() => setTicks({ ...ticks, look: still ? [] : [...cautions] })}
              />
              {say("look.allStill")}
            </label>
            <ul className="mt-2 list-disc pl-8 text-quiet">
              {cautions.map((caution) => (
                <li key={caution}>{say(`caution.${caution}`)}</li>
              ))}
            </ul>
          </li>
        )}
        {(again ? [] : cautions).map((text) => (
          <li key={text}>
            <label
              className={`${row} ${ticks.look.includes(text) ? "border-teal bg-mint/25" : "border-coral bg-raised"}`}
            >
              <input
                type="checkbox"
                className="size-7 shrink-0"
                checked={ticks.look.includes(text)}
                onChange={() => turn(text)}
              />
              {say(`caution.${text}`)}
            </label>
          </li>
        ))}
        {grownUp && (
          <li>
            <label className={`${row} ${ticks.grownUp ? "border-plum bg-plum/15" : "border-plum bg-raised"} font-bold`}>
              <input
                type="checkbox"
                className="size-7 shrink-0"
                checked={ticks.grownUp}
                onChange={() => setTicks({ ...ticks, grownUp: !ticks.grownUp })}
              />
              {say("look.grownUp")}
            </label>
          </li>
        )}
      </ul>
      {activity.caution && (
        <p className="note mt-4 text-lg">
          <strong>{say("look.teacher")}: </strong>
          {activity.caution}
        </p>
      )}
      {data.card.warmUp && <ExerciseList title={say("warmUp.title")} list={data.card.warmUp} />}
      <p className="mt-4 text-quiet">{say("look.first")}</p>
    </>
  );
}
