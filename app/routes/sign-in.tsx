import { data, Form, redirect, useNavigation } from "react-router";
import { searchOf } from "../read.server.ts";
import { signedIn } from "../session.server.ts";
import { signInFrom } from "../sign-in.server.ts";
import { Button } from "../ui/button.tsx";
import { Court } from "../ui/court.tsx";
import { TextField } from "../ui/field.tsx";
import { Problems } from "../ui/problems.tsx";
import type { Route } from "./+types/sign-in";

/** Redirects only within this application. */
const safe = (to: string | null) => (to?.startsWith("/") && !to.startsWith("//") && !to.includes("\\") ? to : "/week");

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  if (await signedIn(request)) throw redirect("/week");
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  const result = await signInFrom(request);
  if (!result.ok) return data(result, { status: 422 });
  throw redirect(safe(searchOf(request).get("to")), { headers: result.cookies });
}

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const problems = actionData?.problems ?? [];
  return (
    <main className="grid min-h-dvh lg:grid-cols-[1.15fr_1fr]">
      <Court />
      <div className="grid content-center justify-items-center p-6">
        <Form method="post" className="grid w-full max-w-sm gap-4">
          <h1 className="text-3xl">Sign in</h1>
          <p className="text-quiet">For teachers. Families need no account: they open their private link.</p>
          <Problems list={problems} />
          <TextField
            label="E-mail"
            name="email"
            type="email"
            autoComplete="username"
            required
            defaultValue={actionData?.email}
            aria-invalid={problems.length > 0 || undefined}
          />
          <TextField
            label="Password"
            name="password"
            type="password"
            autoComplete="current-password"
            required
            aria-invalid={problems.length > 0 || undefined}
          />
          <Button look="main" className="mt-2" type="submit" disabled={busy}>
            {busy ? "Signing in …" : "Sign in"}
          </Button>
          <p className="text-sm">
            <a className="underline" href="/about">
              What is Daring Yard?
            </a>
          </p>
        </Form>
      </div>
    </main>
  );
}
