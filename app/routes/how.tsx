import { Link } from "react-router";
import type { Route } from "./+types/how";

export const meta: Route.MetaFunction = () => [{ title: "How it goes · Daring Yard" }];

const STEPS: readonly (readonly [title: string, text: string])[] = [
  [
    "Design",
    "Choose a pattern and drag the pegs. Under each stands how often your youngest, middle and oldest child will hit it; the strip below says how long a go takes and which homes can play.",
  ],
  [
    "Homes",
    "Families tell once what they have and where there is room, through a private link: no account, no app. What they leave out is guessed, and the card says so.",
  ],
  [
    "Send",
    "Each child gets a card of its own: its things, its floor, its steps, the same challenge. What was changed and why stands beside it. Give out links, square codes, or printed sheets.",
  ],
  [
    "Play",
    "Fetch, set up, look round, play, hand in. The referee keeps turns, time and sums, also without a network. On paper the scores go into the boxes, and you type them in.",
  ],
  [
    "Look",
    "Results come back by themselves: who played, how it went beside what was expected, how it felt. Mark the criteria while you look.",
  ],
  [
    "Nothing is lost",
    "Everything saves as you go. Undo is everywhere, put-away things have a shelf, a link that was withdrawn can be given back, a sending can be taken back.",
  ],
];

/** The whole way on one page, for whoever opens this for the first time. */
export default function How() {
  return (
    <main className="mx-auto w-full max-w-3xl p-6">
      <h1 className="mb-4 text-3xl">How it goes</h1>
      <ol className="grid gap-4">
        {STEPS.map(([title, text], i) => (
          <li key={title} className="row-line grid grid-cols-[36px_1fr] gap-3 pb-4">
            <span className="grid size-8 place-items-center rounded-full border-2 border-ink font-bold">{i + 1}</span>
            <div>
              <h2 className="text-lg">{title}</h2>
              <p>{text}</p>
            </div>
          </li>
        ))}
      </ol>
      <p className="mt-4">
        Press <kbd className="tag">?</kbd> on any page for the keys.{" "}
        <Link to="/week" className="underline">
          To the week
        </Link>
      </p>
    </main>
  );
}
