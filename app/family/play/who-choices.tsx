import { type ReactNode, Suspense, useState } from "react";
import { say, sayPhrase } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import { chunk } from "../inputs/chunk.ts";
import type { Company } from "./use-company.ts";

/** Loaded only when needed, because it brings the worker that computes fair matches. */
const MakeItFair = chunk(async () => ({ default: (await import("./make-it-fair.tsx")).MakeItFair }));

export const Tick = ({ text, is, turn }: { text: string; is: boolean; turn: () => void }) => (
  <label className="flex min-h-12 items-center gap-3 rounded-md border-2 border-chalk/50 px-3 font-semibold">
    <input type="checkbox" className="size-6" checked={is} onChange={turn} />
    {text}
  </label>
);

/** Buttons of which one is chosen. */
const Choice = ({
  name,
  className,
  is,
  choose,
  children,
}: {
  name: string;
  className: string;
  is: boolean;
  choose: () => void;
  children: ReactNode;
}) => (
  <label
    className={`cursor-pointer rounded-md border-2 has-focus-visible:outline-3 ${className} ${is ? "border-mustard bg-mustard text-night" : "border-chalk/50"}`}
  >
    <input type="radio" name={name} className="sr-only" checked={is} onChange={choose} />
    {children}
  </label>
);

export const HowMany = ({ company }: { company: Company }) => (
  <fieldset>
    <legend className="mb-2 font-semibold">{say("who.howMany")}</legend>
    <div className="grid grid-cols-6 gap-2">
      {company.counts.map((count) => (
        <Choice
          key={count}
          name="count"
          className="grid min-h-14 place-items-center text-2xl font-bold"
          is={count === company.count}
          choose={() => company.setCount(count)}
        >
          {count}
        </Choice>
      ))}
    </div>
  </fieldset>
);

/** Against each other, as a team or at the same time; and the parts of the card that are for two or more players. */
export function HowTogether({ data, company }: { data: CardData; company: Company }) {
  if (company.count === 1) return null;
  return (
    <>
      {company.together.length > 0 && (
        <fieldset>
          <legend className="mb-2 font-semibold">{say("who.how")}</legend>
          <div className="grid gap-2">
            {company.together.map((mode) => (
              <Choice
                key={mode}
                name="mode"
                className="flex min-h-12 items-center px-3 font-semibold"
                is={mode === company.mode}
                choose={() => company.setMode(mode)}
              >
                {say(`who.mode.${mode}`)}
              </Choice>
            ))}
          </div>
        </fieldset>
      )}
      {data.card.together && (
        <ul className="grid gap-1 text-base text-chalk/90">
          {data.card.together.map((phrase) => (
            <li key={phrase.key}>{sayPhrase(phrase, {}, attemptWords(data.card.activity.aim.action))}</li>
          ))}
        </ul>
      )}
    </>
  );
}

/** The players' names for the day, and who is on which side. */
export const Names = ({ company }: { company: Company }) => (
  <fieldset className="grid gap-2">
    <legend className="mb-1 font-semibold">{say("who.names")}</legend>
    <p className="text-base text-chalk/80">{say("who.namesHint")}</p>
    {company.names.map((name, i) => (
      <div key={`name${i + 1}`} className="grid grid-cols-[minmax(0,1fr)_auto] gap-2">
        <input
          aria-label={say("who.name", { number: i + 1 })}
          placeholder={say("play.player", { number: i + 1 })}
          maxLength={20}
          value={name}
          onChange={(event) => company.setName(i, event.target.value)}
        />
        {company.inSides && !company.people[i]!.helps && (
          <button
            type="button"
            className={`btn min-h-12 px-3 ${company.sides[i] === 0 ? "border-mustard bg-mustard text-night" : "border-mint bg-mint text-night"}`}
            aria-label={say("who.sideOf", { number: i + 1, side: company.sides[i]! + 1 })}
            onClick={() => company.changeSide(i)}
          >
            {say("who.side", { side: company.sides[i]! + 1 })}
          </button>
        )}
      </div>
    ))}
  </fieldset>
);

/** How the match is made fair: proposed by the model, or chosen for each player. */
export const Fairness = ({ data, company }: { data: CardData; company: Company }) => (
  <div className="grid gap-1">
    <Tick text={say("who.fair")} is={company.fair} turn={() => company.setFair(!company.fair)} />
    {company.fair && (
      <Suspense fallback={<p role="status">{say("play.loading")}</p>}>
        <MakeItFair data={data} company={company} />
      </Suspense>
    )}
  </div>
);

/** Which side starts: chosen, or drawn by lot. */
export function WhoStarts({ company }: { company: Company }) {
  const [drawn, setDrawn] = useState(false);
  const { order, first, sideName, setStarter } = company;
  return (
    <fieldset>
      <legend className="mb-2 font-semibold">{say("who.starts")}</legend>
      <div className="grid grid-cols-3 gap-2">
        {order.map((of, side) => (
          <Choice
            key={of.join()}
            name="starts"
            className="grid min-h-12 place-items-center px-1 text-center font-semibold"
            is={side === first}
            choose={() => {
              setStarter(side);
              setDrawn(false);
            }}
          >
            {sideName(side)}
          </Choice>
        ))}
        <button
          type="button"
          className="btn min-h-12 border-chalk text-chalk"
          onClick={() => {
            setStarter(Math.floor(Math.random() * order.length));
            setDrawn(true);
          }}
        >
          {say("who.draw")}
        </button>
      </div>
      <p role="status" className="min-h-7">
        {drawn ? say("who.drawn", { name: sideName(first) }) : ""}
      </p>
    </fieldset>
  );
}
