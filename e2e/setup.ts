import { rmSync } from "node:fs";
import { join } from "node:path";
import postgres from "postgres";
import type { TestProject } from "vitest/node";
import { ensureBuild } from "../scripts/lib/build.mjs";
import { freePort } from "../scripts/lib/port.mjs";
import { root } from "../scripts/lib/root.mjs";
import { prepareDatabase, startWeb } from "../scripts/lib/serve.mjs";
import { startTestSchool } from "../scripts/lib/test-school.mjs";

declare module "vitest" {
  interface ProvidedContext {
    base: string;
    family: string;
    email: string;
    password: string;
    ownerUrl: string;
    appUrl: string;
    webEnv: Record<string, string>;
  }
}

/** A database of its own, the demo school, one copy of the real build. */
export default async function setup(project: TestProject) {
  process.env.YARD_GALLERY = "1";
  ensureBuild();
  const given = process.env.DATABASE_URL ? await ownDatabase(process.env.DATABASE_URL) : null;
  const dir = join(root, ".yard-test", `part-${process.env.YARD_TEST_PART ?? "all"}`);
  const { database, env, demo } = given
    ? { database: given, ...prepareDatabase(given.url) }
    : await startTestSchool(dir);
  const web = await startWeb({ port: await freePort(), env });
  project.provide("base", web.url);
  project.provide("family", `${web.url}/f/${demo.family}`);
  project.provide("email", demo.email);
  project.provide("password", demo.password);
  project.provide("ownerUrl", database.url);
  project.provide("appUrl", env.YARD_APP_DATABASE_URL);
  project.provide("webEnv", env);
  return async () => {
    await web.stop();
    await database.stop();
    if (!given) rmSync(dir, { recursive: true, force: true });
  };
}

/** On a PostgreSQL of somebody else's, the tests make a database for themselves and take it away again. */
async function ownDatabase(url: string) {
  const name = `yard_test_${process.pid}`;
  const sql = postgres(url, { max: 1, onnotice: () => undefined });
  await sql.unsafe(`create database ${name}`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  return {
    url: own.href,
    stop: async () => {
      await sql.unsafe(`drop database ${name} with (force)`);
      await sql.end();
    },
  };
}
