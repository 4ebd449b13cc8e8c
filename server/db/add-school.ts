import { drizzle } from "drizzle-orm/postgres-js";
import type postgres from "postgres";
import { hashPassword } from "../auth/password.ts";
import * as schema from "./schema.ts";
import { type SchoolFile, schoolFile } from "./school-file.ts";

/** Adds a school with its teachers, classes, children, homes and links. `sql` is signed in as the database's owner. */
export async function addSchool(
  sql: postgres.Sql,
  given: SchoolFile,
): Promise<{ schoolId: string; teacherId: string }> {
  const file = schoolFile.parse(given);
  return drizzle(sql, { schema }).transaction(async (tx) => {
    const [school] = await tx.insert(schema.school).values({ name: file.school, zone: file.zone }).returning();
    const schoolId = school!.id;
    const homes = new Map<string, string>();
    const now = new Date();
    for (const { answered, ...h } of file.homes) {
      const [row] = await tx
        .insert(schema.home)
        .values({ schoolId, ...h, answeredAt: answered ? now : null })
        .returning();
      homes.set(h.label, row!.id);
    }
    const classes = new Map<string, string>();
    for (const c of file.classes) {
      const [made] = await tx.insert(schema.schoolClass).values({ schoolId, name: c.name }).returning();
      classes.set(c.name, made!.id);
      for (const child of c.children) {
        const [row] = await tx
          .insert(schema.child)
          .values({
            schoolId,
            classId: made!.id,
            name: child.name,
            age: child.age,
            leftHanded: child.leftHanded,
            support: child.support,
          })
          .returning();
        await tx.insert(schema.link).values({ schoolId, childId: row!.id });
        for (const label of child.homes) {
          const homeId = homes.get(label);
          if (!homeId) throw new Error(`classes.${c.name}.children.${child.name}.homes: no home is called "${label}"`);
          await tx.insert(schema.childHome).values({ schoolId, childId: row!.id, homeId });
        }
      }
    }
    const ids: string[] = [];
    for (const teacher of file.teachers) {
      const [row] = await tx
        .insert(schema.teacher)
        .values({
          schoolId,
          email: teacher.email,
          name: teacher.name,
          passwordHash: await hashPassword(teacher.password),
        })
        .returning();
      ids.push(row!.id);
      for (const name of teacher.classes) {
        const classId = classes.get(name);
        if (!classId) throw new Error(`teachers.${teacher.email}.classes: no class is called "${name}"`);
        await tx.insert(schema.classTeacher).values({ schoolId, classId, teacherId: row!.id });
      }
    }
    return { schoolId, teacherId: ids[0]! };
  });
}
