import Papa from "papaparse";
import { familyLinks } from "#server/links/of-class.ts";
import { found, idOf } from "../answer.server.ts";
import { originFor } from "../origin.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/class-links-csv";

/** One row for each child, for schools that put the links into their own mail or messenger. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { className, links } = await found(familyLinks(who, idOf(params.id, "class")));
  const origin = originFor(request);
  const rows = links.map((link) => ({
    class: className,
    child: link.child,
    link: link.token ? `${origin}/f/${link.token}` : "",
  }));
  return new Response(`\ufeff${Papa.unparse(rows, { escapeFormulae: true })}\r\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="links-${params.id.slice(0, 8)}.csv"`,
    },
  });
}
