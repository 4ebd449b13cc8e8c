import { Link } from "react-router";
import { SUPPORT_IDS } from "#core/compile/support.ts";
import { supportPreview } from "#server/children/preview.ts";
import { sheetRules } from "#words/sheet.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { Sheet } from "../family/screens/sheet.tsx";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/child-card";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.name ?? "Child"}: card · Daring Yard` }];

/** `of`: which game; the newest if left out. `support x`: one field for each kind of support that is ticked. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const search = searchOf(request);
  const of = search.get("of");
  const supports = SUPPORT_IDS.filter((id) => search.get(`support ${id}`) !== null);
  const preview = await found(
    supportPreview(who, idOf(params.id, "child"), of ? idOf(of, "assignment") : null, supports),
  );
  return { ...preview, rules: sheetRules(preview.card), any: supports.length > 0 };
}

/**
 * A child's card with support that is not saved yet: which support this game can use, what it does to the chances,
 * and the resulting card.
 */
export default function ChildCard({ loaderData: d, params }: Route.ComponentProps) {
  const inTen = (rate: number) => Math.round(100 * rate) / 10;
  const names = (ids: readonly string[]) => ids.map((id) => label(`support.${id}`)).join(", ");
  return (
    <main>
      <div className="sheet-bar print:hidden">
        <Link to={`/children/${params.id}`} className="underline">
          {d.name}
        </Link>
        <span>{tell("preview.notKept")}</span>
      </div>
      <section className="mx-auto grid max-w-4xl gap-2 p-6 print:hidden" aria-labelledby="with">
        <h1 id="with" className="text-2xl">
          {tell("preview.title", { game: d.title, name: d.name })}
        </h1>
        {!d.any && <p>{tell("preview.none")}</p>}
        {d.fits.length > 0 && <p>{tell("preview.used", { what: names(d.fits) })}</p>}
        {d.idle.length > 0 && <p>{tell("preview.idle", { what: names(d.idle) })}</p>}
        {d.rates.plain !== null && d.rates.with !== null && (
          <p>{tell("preview.rates", { plain: inTen(d.rates.plain), with: inTen(d.rates.with) })}</p>
        )}
        {!d.held && (
          <p className="note problem">
            {tell("preview.notHeld", { list: d.others.length > 0 ? d.others.join(", ") : "none" })}
          </p>
        )}
      </section>
      <OwnDrawings value={drawingsOf(d.card.activity.kit.own)}>
        <Sheet data={{ name: d.name, card: d.card, tries: d.tries, rules: d.rules, code: null }} />
      </OwnDrawings>
    </main>
  );
}
