import { useEffect } from "react";
import { say, sayScore } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import { MiniPlan } from "../../ui/mini-plan.tsx";
import { useWaiting } from "../card/waiting.ts";
import { keepPages } from "../device/offline.ts";
import { keepSyncing } from "../device/sync.ts";
import type { CardsData } from "./cards-data.ts";

/** Shows all of a child's games (open, opening soon or closed) and what is still waiting to be sent. */
export function CardsPage({ data: { token, name, school, cards, answered, ids } }: { data: CardsData }) {
  const waiting = useWaiting(token, ids);
  useEffect(() => {
    const open = cards.filter((card) => card.state === "open").map((card) => `/f/${token}/${card.id}`);
    void keepPages([location.pathname, ...open]);
    return keepSyncing(token, ids);
  }, [cards, ids, token]);
  return (
    <main className="on-court min-h-dvh bg-court text-chalk">
      <div className="mx-auto grid max-w-lg gap-5 p-5">
        <header>
          <p className="text-chalk/75">{school}</p>
          <h1 className="text-3xl">{say("family.title", { name: name.split(" ")[0]! })}</h1>
        </header>
        {waiting.count > 0 && (
          <p role="status" className="rounded-md bg-mustard p-3 font-semibold text-night">
            {say("card.waiting", { count: waiting.count })} {waiting.stuck && say("card.stuck")}
          </p>
        )}
        {waiting.refused.map((why) => (
          <p key={why} role="status" className="rounded-md border-2 border-coral p-3">
            {say("hand.refused", { why })}
          </p>
        ))}
        {cards.length === 0 && <p>{say("family.none")}</p>}
        <ul className="grid gap-3">
          {cards.map((card) => (
            <li key={card.id}>
              <CardRow card={card} href={`/f/${token}/${card.id}`} />
              {card.paired && (
                <a
                  href={`/f/${token}/${card.id}/match`}
                  className="btn mt-2 min-h-12 w-full border-mint text-chalk no-underline"
                >
                  {say("match.title")}
                </a>
              )}
            </li>
          ))}
        </ul>
        <p>
          <a
            href={`/f/${token}/home`}
            className={`btn min-h-14 w-full border-chalk text-lg text-chalk no-underline ${answered ? "" : "border-mustard"}`}
          >
            {say(answered ? "family.home" : "family.homeAsk")}
          </a>
        </p>
        <p className="text-sm text-chalk/75">{say("family.private")}</p>
      </div>
    </main>
  );
}

type Row = CardsData["cards"][number];

function CardRow({ card: c, href }: { card: Row; href: string }) {
  const open = c.state === "open";
  const line =
    c.state === "withdrawn"
      ? say("card.back")
      : open
        ? say("family.open", { when: c.closesAt })
        : c.state === "soon"
          ? say("family.soon", { when: c.opensAt })
          : say("family.closed", { when: c.closesAt });
  return (
    <a
      href={href}
      className={`grid gap-1 rounded-md border-2 p-4 no-underline ${open ? "border-mustard bg-court-deep" : "border-chalk/30 text-chalk/80"}`}
    >
      <MiniPlan parts={c.parts} space={c.space} className={`mb-2 w-full rounded-sm ${open ? "" : "opacity-50"}`} />
      <span className="font-head text-2xl font-bold">{c.title}</span>
      <span>
        {say("family.minutes", { minutes: c.minutes })} · {line}
      </span>
      <span className="flex flex-wrap gap-x-3">
        <span>{say("family.used", { used: c.used, tries: c.tries })}</span>
        {c.best && (
          <strong className="text-mustard">
            {say("family.best", { score: sayScore(c.best.value, c.best.unit, attemptWords(c.action)) })}
          </strong>
        )}
      </span>
    </a>
  );
}
