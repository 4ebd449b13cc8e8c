import { Printer } from "lucide-react";
import { useMemo } from "react";
import { Link } from "react-router";
import { inSteps } from "#server/breathe.ts";
import { paperCards } from "#server/cards/sheets.ts";
import { squareCode } from "#server/links/qr-code.ts";
import { sheetRules } from "#words/sheet.ts";
import { tell } from "#words/tell.ts";
import { found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { Sheet } from "../family/screens/sheet.tsx";
import { originFor } from "../origin.server.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button } from "../ui/button.tsx";
import type { Route } from "./+types/result-sheets";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.title ?? "Sheets"} · Daring Yard` }];

type SheetOf = Parameters<typeof Sheet>[0]["data"] & { id: string };

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const chosen = searchOf(request)
    .all("chosen")
    .map((id) => idOf(id, "card"));
  const all = await found(paperCards(who, idOf(params.id, "assignment"), chosen));
  const origin = originFor(request);
  const cards = await inSteps(all.cards, ({ token, ...c }) => {
    const address = token ? `${origin}/f/${token}/${c.id}` : null;
    const sheet: SheetOf = { ...c, rules: sheetRules(c.card), code: address ? squareCode(address) : null };
    // Sent as text, sheet by sheet. Encoding the cards of a whole class in one step would hold up other requests.
    return JSON.stringify(sheet);
  });
  return { ...all, cards };
}

/** The cards of a class on paper, one sheet for each child, printed together. */
export default function ResultSheets({ loaderData, params }: Route.ComponentProps) {
  const { title, className } = loaderData;
  const cards = useMemo(() => loaderData.cards.map((text) => JSON.parse(text) as SheetOf), [loaderData.cards]);
  return (
    <main>
      <div className="sheet-bar print:hidden">
        <Link to={`/results/${params.id}`} className="underline">
          {title}
        </Link>
        <span>{tell("sheets.of", { n: cards.length, class: className })}</span>
        <Button look="main" size="small" onClick={() => print()}>
          <Printer size={16} aria-hidden="true" /> {tell("sheets.print", { n: cards.length })}
        </Button>
      </div>
      {cards.length === 0 && <p className="sheet-bar">{tell("sheets.none")}</p>}
      {cards.map((card) => (
        <OwnDrawings key={card.id} value={drawingsOf(card.card.activity.kit.own)}>
          <Sheet data={card} />
        </OwnDrawings>
      ))}
    </main>
  );
}
