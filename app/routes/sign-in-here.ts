import { signInFrom } from "../sign-in.server.ts";
import type { Route } from "./+types/sign-in-here";

/** Signs in without leaving the page. The answer is JSON. */
export async function action({ request }: Route.ActionArgs) {
  const result = await signInFrom(request);
  if (result.ok) return Response.json({ ok: true, problems: [] }, { headers: result.cookies });
  return Response.json({ ok: false, problems: result.problems }, { status: 422 });
}
