import { Link } from "react-router";
import { Page, PageHead } from "../ui/page.tsx";
import type { Route } from "./+types/how";

export const meta: Route.MetaFunction = () => [{ title: "How it works · Daring Yard" }];

const STEPS: readonly (readonly [title: string, text: string])[] = [
  [
    "Design",
    "Choose a game and drag the markers. Each marker shows how often your youngest, typical and oldest child will hit it. The strip below shows how long a go takes and which homes are ready.",
  ],
  [
    "Homes",
    "Families tell you once what they have and where there is room, through a private link: no account, no app. Anything they leave out is guessed, and the card says so.",
  ],
  [
    "Send",
    "Each child gets their own card: their items, their floor, their steps, the same challenge. The card says what changed and why. Share links or QR codes, or print the sheets.",
  ],
  [
    "Play",
    "Get ready, set up, safety check, play, hand in. The referee keeps turns, time and score, even offline. On paper, families write scores in the boxes and you type them in.",
  ],
  [
    "Review",
    "Results arrive by themselves: who played, how they did beside the likely range, how it felt. Mark the success criteria as you read.",
  ],
  [
    "Nothing is lost",
    "Everything saves as you go. You can undo anything, bring back archived activities, turn links back on, and unsend an activity.",
  ],
];

/** Explains the whole way of working on one page, for somebody who opens the application for the first time. */
export default function How() {
  return (
    <Page>
      <PageHead title="How it works" />
      <ol className="grid max-w-3xl gap-4">
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
        <Link to="/guide" className="underline">
          Read the teacher's guide
        </Link>{" "}
        for every step in detail. Press <kbd className="tag">?</kbd> on any page to see the keyboard shortcuts.{" "}
        <Link to="/week" className="underline">
          Go to This week
        </Link>
      </p>
    </Page>
  );
}
