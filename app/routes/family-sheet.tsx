import { squareCode } from "#server/links/qr-code.ts";
import { say } from "#words/say.ts";
import { sheetRules } from "#words/sheet.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { Sheet } from "../family/screens/sheet.tsx";
import { cardAt } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { originFor } from "../origin.server.ts";
import type { Route } from "./+types/family-sheet";

export const meta: Route.MetaFunction = ({ data }) => [
  { title: data ? data.card.activity.title : "Daring Yard" },
  { name: "robots", content: "noindex" },
];

export const handle = { ownScript: true };

/** A card on one sheet, for homes that play from paper. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const card = await cardAt(params);
  return {
    ...card,
    rules: sheetRules(card.card),
    scripts: familyScripts.print,
    code: squareCode(`${originFor(request)}/f/${params.token}/${params.card}`),
  };
}

export default function FamilySheet({ loaderData, params }: Route.ComponentProps) {
  return (
    <OwnDrawings value={drawingsOf(loaderData.card.activity.kit.own)}>
      <p className="sheet-bar">
        <a href={`/f/${params.token}/${params.card}?screen=setup`}>{say("play.back")}</a>
        <button type="button" className="btn btn-main btn-small" data-print>
          {say("setup.print")}
        </button>
      </p>
      <main>
        <Sheet data={loaderData} />
      </main>
      <script type="module" src={loaderData.scripts[0]} />
    </OwnDrawings>
  );
}
