import { Printer } from "lucide-react";
import { Link } from "react-router";
import { opened } from "#core/formats/opened.ts";
import { partsOf } from "#core/yard/parts.ts";
import { activityFor } from "#server/activities/activities.ts";
import { found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button } from "../ui/button.tsx";
import type { Route } from "./+types/activity-cards";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `Cards of ${d?.title ?? "a game"} · Daring Yard` }];

/** What is written on the cards, and their size, millimetres. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "activity");
  const { document: activity } = await found(activityFor(who, id));
  const cards = partsOf(opened(activity).parts, "target").flatMap((target) =>
    target.sign === undefined
      ? []
      : [
          {
            id: target.id,
            sign: target.sign,
            width: Math.round(1000 * target.width),
            height: Math.round(1000 * target.height),
          },
        ],
  );
  return { id, title: activity.title, cards };
}
/** The printable area of a sheet of paper, millimetres. */
const PAPER = { width: 190, height: 265 };

/** Cards with letters, numbers or words to cut apart, in true size if a sheet is large enough. */
export default function ActivityCards({ loaderData }: Route.ComponentProps) {
  const { id, title, cards } = loaderData;
  const fits = cards.every((card) => card.width <= PAPER.width && card.height <= PAPER.height);
  return (
    <main>
      <div className="sheet-bar print:hidden">
        <Link to={`/activities/${id}?station=yard`} className="underline">
          {title}
        </Link>
        <span>
          {cards.length === 0
            ? "This game has no letter cards."
            : fits
              ? "Printed at full size (100%), the cards are as big as in the yard."
              : "These cards are bigger than a sheet of paper. Each is printed as big as fits, to stick on something of the right size."}
        </span>
        <Button look="main" size="small" onClick={() => print()}>
          <Printer size={16} aria-hidden="true" /> Print
        </Button>
      </div>
      <h1 className="sr-only">Cards for {title}</h1>
      <ul className="flex flex-wrap gap-[4mm] p-[5mm]">
        {cards.map((card) => {
          const by = Math.min(1, PAPER.width / card.width, PAPER.height / card.height);
          const [width, height] = [card.width * by, card.height * by];
          // Fits the height of the card and the length of the word.
          const letters = Math.min(height * 0.7, (width * 1.3) / Math.max(1, card.sign.length));
          return (
            <li
              key={card.id}
              className="grid break-inside-avoid place-items-center border-2 border-dashed border-ink font-head leading-none font-bold uppercase"
              style={{ width: `${width}mm`, height: `${height}mm`, fontSize: `${letters}mm` }}
            >
              {card.sign}
            </li>
          );
        })}
      </ul>
    </main>
  );
}
