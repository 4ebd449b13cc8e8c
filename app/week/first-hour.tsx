import { Check } from "lucide-react";
import { Link } from "react-router";

/** How far a school has come on its first day. */
export interface Begun {
  children: number;
  homes: number;
  activities: number;
  sent: number;
  /** The newest sending: the first card to open is there. */
  newest: string | null;
  classId: string | null;
}

/** The first hour of a school that has nothing yet: one thing after the other, each with the way to it. */
export function FirstHour({ begun }: { begun: Begun }) {
  const steps = [
    {
      done: begun.children > 0,
      title: "Children",
      text: "Import your class list, or add a child by hand.",
      ways: [
        ["/homes/import", "Import class list"],
        ["/homes", "Add child"],
      ],
    },
    {
      done: begun.homes > 0,
      title: "Homes",
      text: "Ask families what they have and where there is room. It takes two minutes.",
      ways: [
        ["/homes", "Invite families"],
        ...(begun.classId ? [[`/classes/${begun.classId}/links`, "Open links and QR codes"]] : []),
      ],
    },
    {
      done: begun.activities > 0,
      title: "A first activity",
      text: "Start from a game. Every number has a starting value that you can drag.",
      ways: [["/activities", "Choose a game"]],
    },
    {
      done: begun.sent > 0,
      title: "Send it",
      text: "Open your activity, press Send, and choose the class and the closing day.",
      ways: [["/activities", "Open my activities"]],
    },
    {
      done: false,
      title: "The first card",
      text: "See one card as its family will, and share the links.",
      ways: [
        ...(begun.classId ? [[`/classes/${begun.classId}/links`, "Open links and QR codes"]] : []),
        ...(begun.newest ? [[`/results/${begun.newest}/sheets`, "Open printed cards"]] : []),
      ],
    },
  ];
  const next = steps.findIndex((step) => !step.done);
  return (
    <section aria-labelledby="first-hour" className="mb-8 max-w-3xl">
      <h2 id="first-hour" className="mb-2 text-xl">
        Your first hour
      </h2>
      <ol className="grid gap-0">
        {steps.map((step, i) => (
          <li
            key={step.title}
            className="row-line grid grid-cols-[36px_1fr] gap-3 py-3"
            aria-current={i === next ? "step" : undefined}
          >
            <span
              className={`grid size-8 place-items-center rounded-full border-2 border-ink font-bold ${step.done ? "bg-mint text-night" : i === next ? "bg-mustard text-night" : ""}`}
            >
              {step.done ? <Check size={18} aria-label="done" /> : i + 1}
            </span>
            <div>
              <h3 className="text-lg">{step.title}</h3>
              <p className={step.done ? "text-quiet" : ""}>{step.text}</p>
              {!step.done && (
                <p className="mt-2 flex flex-wrap gap-2">
                  {step.ways.map(([to, words], k) => (
                    <Link key={words} to={to!} className={`btn btn-small ${i === next && k === 0 ? "btn-main" : ""}`}>
                      {words}
                    </Link>
                  ))}
                </p>
              )}
            </div>
          </li>
        ))}
      </ol>
      <p className="mt-3">
        <Link to="/how" className="underline">
          How it works, on one page
        </Link>
      </p>
    </section>
  );
}
