import { useEffect } from "react";
import type { Unit } from "#core/contract/contract.ts";
import { say, sayScore } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { usePlays } from "../card/card-app.tsx";
import type { CardData } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import { dropPractice, playsOfCard } from "../device/store.ts";
import PlayScreen from "./play-screen.tsx";

const NOTHING = { home: null, fixed: {}, also: [] };

/** Lets a teacher play the game of a card while designing it: the same screens, but nothing is saved. */
export default function TryIt({
  data,
  speed,
  take,
}: {
  data: CardData;
  speed: number;
  take: (score: { value: number; unit: Unit }) => void;
}) {
  const { plays, again } = usePlays(data.id);
  // A go left from an earlier visit may belong to another version of the design.
  useEffect(() => {
    void playsOfCard(data.id)
      .then((left) => Promise.all(left.map((play) => dropPractice(play.id))))
      .then(again);
  }, [data.id, again]);
  const own: OwnCard = {
    card: data.card,
    sent: data.card,
    decided: NOTHING,
    busy: false,
    decide: () => undefined,
    options: async () => ({ here: [], ifHave: [] }),
  };
  if (!plays) return null;
  return (
    <PlayScreen
      data={data}
      own={own}
      underWay={plays.find((play) => !play.result) ?? null}
      again={again}
      go={() => undefined}
      trying={{
        speed,
        tried: (score) => (
          <button type="button" className="btn min-h-14 border-chalk text-xl" onClick={() => take(score)}>
            {say("try.mark", { score: sayScore(score.value, score.unit, attemptWords(data.card.activity.aim.action)) })}
          </button>
        ),
      }}
    />
  );
}
