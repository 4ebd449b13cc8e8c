import { eq } from "drizzle-orm";
import { type GoSeen, type Truth, truthOf } from "#core/estimate/truth.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inSchool, schema } from "../db/client.ts";
import { ownClass } from "../school/classes.ts";
import { evidenceRows, type LeftOut, leftOutOf, weekOf } from "./known.ts";

/** How well forecasts came true for one of the teacher's classes, over every go whose tries are known. */
export function truthOfClass(
  who: SignedIn,
  classId: string,
): Promise<Truth & { className: string; children: number; leftOut: Record<LeftOut, number> }> {
  return inSchool(who.schoolId, async (tx) => {
    const { name } = await ownClass(tx, who.teacherId, classId);
    const children = await tx.select().from(schema.child).where(eq(schema.child.classId, classId));
    const ages = new Map(children.map((k) => [k.id, k.age]));
    const rows = await evidenceRows(tx, [...ages.keys()]);
    const leftOut = await leftOutOf(tx, [...ages.keys()]);
    const goes = rows.flatMap((r): GoSeen[] =>
      r.means
        ? [
            {
              // Each action is known by itself.
              child: `${r.childId} ${r.action}`,
              age: ages.get(r.childId)!,
              axis: r.axis,
              week: weekOf(r.at),
              tries: r.tries,
              hits: r.hits,
              means: r.means,
              ll: r.ll,
            },
          ]
        : [],
    );
    return { ...truthOf(goes), className: name, children: new Set(rows.map((r) => r.childId)).size, leftOut };
  });
}
