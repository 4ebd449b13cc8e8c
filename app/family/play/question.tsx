import { useState } from "react";
import { say } from "#words/say.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import type { CardData } from "../card/card-data.ts";
import { keepAnswer } from "./answered.ts";

/** A question with pictures, asked once before play, and the reason for the answer. */
export function Question({ data, done }: { data: CardData; done: () => void }) {
  const { question, answers } = data.card.activity;
  const [chosen, choose] = useState<number | null>(null);
  if (!answers) return null;
  const { list, right, explain } = answers;
  return (
    <div className="mx-auto grid w-full max-w-lg grow content-start gap-4 p-4 text-lg">
      <h1 className="text-3xl">{question}</h1>
      <div className="grid grid-cols-2 gap-3">
        {list.map((a, i) => {
          const is = chosen === i;
          const good = chosen !== null && right === i;
          return (
            <button
              key={`${a.picture} ${a.text}`}
              type="button"
              aria-pressed={is}
              disabled={chosen !== null}
              className={`grid min-h-36 content-center justify-items-center gap-2 rounded-lg border-3 p-2 text-center text-xl leading-tight font-bold text-chalk disabled:opacity-100 ${good ? "border-mint bg-mint text-night" : is ? "border-mustard bg-mustard text-night" : "border-chalk/50"}`}
              onClick={() => {
                keepAnswer(data.id, i);
                choose(i);
              }}
            >
              <ItemDrawing item={a.picture} size={72} />
              {a.text}
            </button>
          );
        })}
      </div>
      <div role="status" className="grid gap-2">
        {chosen !== null && right !== null && (
          <p className="text-2xl font-bold text-mustard">
            {chosen === right ? say("question.right") : say("question.other", { answer: list[right]!.text })}
          </p>
        )}
        {chosen !== null && explain && <p>{explain}</p>}
      </div>
      {chosen !== null && (
        <button type="button" className="btn btn-main min-h-16 text-2xl" onClick={done}>
          {say("question.on")}
        </button>
      )}
    </div>
  );
}
