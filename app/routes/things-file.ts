import { ITEMS_FORMAT, ITEMS_VERSION } from "#core/items/item.ts";
import { listOf } from "#core/kit/items.ts";
import { itemsToCsv, schoolItemsFor } from "#server/kit/items.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/things-file";

/** The school's list of items as a file: CSV or JSON. */
export async function loader({ request }: Route.LoaderArgs) {
  const { own, hidden } = await schoolItemsFor(await teacherOf(request));
  const items = listOf(own, hidden);
  const csv = searchOf(request).get("as") === "csv";
  return new Response(
    csv ? itemsToCsv(items) : `${JSON.stringify({ format: ITEMS_FORMAT, version: ITEMS_VERSION, items }, null, 2)}\n`,
    {
      headers: {
        "Content-Type": csv ? "text/csv; charset=utf-8" : "application/json",
        "Content-Disposition": `attachment; filename="things.${csv ? "csv" : "json"}"`,
      },
    },
  );
}
