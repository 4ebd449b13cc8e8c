import { useEffect, useMemo, useRef } from "react";
import { Form, redirect, useNavigation, useRevalidator } from "react-router";
import { CHOSEN_WORDS } from "#core/records/two-homes.ts";
import { familyMatch, matchYes, sayNo, sayYes } from "#server/assignments/two-homes.ts";
import { NotAllowed } from "#server/problem.ts";
import { enMatch } from "#words/en-match.ts";
import { addWords, say, sayScore } from "#words/say.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { useWaiting } from "../family/card/waiting.ts";
import { keepSyncing } from "../family/device/sync.ts";
import { familyOf } from "../family-link.server.ts";
import { fieldsOf } from "../read.server.ts";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/family-match";

addWords(enMatch);

export const meta: Route.MetaFunction = () => [{ title: say("match.title") }, { name: "robots", content: "noindex" }];

export async function loader({ params }: Route.LoaderArgs) {
  return found(familyMatch(await familyOf(params.token), idOf(params.card, "card")));
}

export async function action({ request, params }: Route.ActionArgs) {
  const link = await familyOf(params.token);
  const cardId = idOf(params.card, "card");
  const { intent, ...fields } = await fieldsOf(request);
  return answered(async () => {
    if (intent === "no") await sayNo(link, cardId);
    else {
      const read = matchYes.safeParse({ word: fields.word ?? "", yes: fields.yes ?? "" });
      if (!read.success) {
        const issue = read.error.issues[0]!;
        throw NotAllowed.of(String(issue.path[0]), issue.message);
      }
      await sayYes(link, cardId, read.data.word);
    }
    throw redirect(`/f/${params.token}/${cardId}/match`);
  });
}

export default function FamilyMatchPage({ loaderData: m, actionData, params }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const { revalidate } = useRevalidator();
  const cards = useMemo(() => [params.card], [params.card]);
  const { count } = useWaiting(params.token, cards);
  useEffect(() => keepSyncing(params.token, cards), [params.token, cards]);
  // A go that waited on this device is what the other home waits for.
  const before = useRef(count);
  useEffect(() => {
    if (count < before.current) void revalidate();
    before.current = count;
  }, [count, revalidate]);
  const problems = actionData && "problems" in actionData ? (actionData.problems as { message: string }[]) : [];
  const name = m.child.split(" ")[0]!;
  const other = m.other.word ? say(`word.${m.other.word}`) : "";
  return (
    <main className="on-court min-h-dvh bg-court text-chalk">
      <div className="mx-auto grid max-w-lg gap-4 p-6 text-lg">
        <p className="text-chalk/80">{m.title}</p>
        <h1 className="text-3xl">{say("match.title")}</h1>
        {count > 0 && (
          <p role="status" className="rounded-md bg-mustard p-3 font-semibold text-night">
            {say("card.waiting", { count })}
          </p>
        )}
        {problems.map((problem) => (
          <p key={problem.message} role="alert" className="problem">
            {problemText(problem.message)}
          </p>
        ))}
        {!m.mine.yes && !m.closed && <SayYes m={m} busy={busy} />}
        {m.mine.yes && m.mine.word && (
          <p className="text-2xl font-bold text-mustard">{say("match.you", { word: say(`word.${m.mine.word}`) })}</p>
        )}
        <div role="status" className="grid gap-2">
          {m.mine.yes && !m.closed && (
            <p>{m.other.yes ? say("match.otherYes", { word: other }) : say("match.otherWaits")}</p>
          )}
          {m.mine.yes && m.other.yes && !m.mine.score && !m.closed && <p>{say("match.next", { name })}</p>}
          {m.mine.score && <p>{say("match.mine", { score: sayScore(m.mine.score.value, m.mine.score.unit) })}</p>}
          {m.other.score && (
            <p>{say("match.theirs", { word: other, score: sayScore(m.other.score.value, m.other.score.unit) })}</p>
          )}
          {m.mine.score && m.joined.state === "waits" && <p>{say("match.otherPlays")}</p>}
          {m.joined.state === "missing" && <p className="text-xl font-bold">{say("match.missing")}</p>}
          {m.joined.state === "unlike" && <p className="text-xl font-bold">{say("match.unlike")}</p>}
          {m.joined.state === "played" && (
            <p className="text-2xl font-bold text-mustard">
              {m.joined.winner === null
                ? say("match.level")
                : m.joined.winner === 0
                  ? say("match.won")
                  : say("match.lost", { word: other })}
            </p>
          )}
        </div>
        <p>
          <a href={`/f/${params.token}/${params.card}`} className="btn btn-main min-h-14 w-full text-xl no-underline">
            {say("match.toCard")}
          </a>
        </p>
        {m.mine.yes && !m.mine.score && !m.closed && (
          <Form method="post">
            <button
              type="submit"
              name="intent"
              value="no"
              className="btn min-h-12 w-full border-chalk text-chalk"
              disabled={busy}
            >
              {say("match.no")}
            </button>
          </Form>
        )}
      </div>
    </main>
  );
}

/** Explains what the other home sees, and asks for a word and a grown-up's yes. */
const SayYes = ({ m, busy }: { m: Route.ComponentProps["loaderData"]; busy: boolean }) => (
  <>
    <p>{say("match.text")}</p>
    <p>
      {say("match.shown")} {say("match.nothing")}
    </p>
    <Form method="post" className="grid gap-4">
      <fieldset>
        <legend className="mb-2 font-semibold">{say("match.choose")}</legend>
        <div className="grid grid-cols-3 gap-2">
          {CHOSEN_WORDS.filter((chosenWord) => chosenWord !== m.other.word).map((chosenWord) => (
            <label
              key={chosenWord}
              className="grid min-h-12 cursor-pointer place-items-center rounded-md border-2 border-chalk/50 px-1 has-checked:border-mustard has-checked:bg-mustard has-checked:font-bold has-checked:text-night has-focus-visible:outline-3"
            >
              <input type="radio" name="word" value={chosenWord} required className="sr-only" />
              {say(`word.${chosenWord}`)}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="flex min-h-12 items-center gap-3 rounded-md border-2 border-chalk/50 px-3 font-semibold">
        <input type="checkbox" name="yes" required className="size-6" />
        {say("match.yes")}
      </label>
      <button type="submit" name="intent" value="yes" className="btn btn-main min-h-16 text-2xl" disabled={busy}>
        {say("match.play")}
      </button>
    </Form>
  </>
);
