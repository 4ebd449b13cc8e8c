import { signInFrom } from "../sign-in.server.ts";
import type { Route } from "./+types/sign-in-here";

/** Signs in without leaving the page. The answer is JSON. */
export async function action({ request }: Route.ActionArgs) {
  const told = await signInFrom(request);
  if (told.ok) return Response.json({ ok: true, problems: [] }, { headers: told.cookies });
  return Response.json({ ok: false, problems: told.problems }, { status: 422 });
}
