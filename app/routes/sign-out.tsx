import { redirect } from "react-router";
import { signOut } from "#server/auth/sign-in.ts";
import { forgetToken, tokenOf } from "../session.server.ts";
import type { Route } from "./+types/sign-out";

export async function action({ request }: Route.ActionArgs) {
  const token = await tokenOf(request);
  if (token) await signOut(token);
  throw redirect("/sign-in", { headers: { "Set-Cookie": await forgetToken(request) } });
}

export const loader = () => redirect("/");
