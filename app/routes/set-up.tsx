import { getFormProps } from "@conform-to/react";
import { Form, redirect, useNavigation } from "react-router";
import { firstSchool } from "#core/records/school.ts";
import { makeFirstSchool, openFirst } from "#server/auth/first-administrator.ts";
import { found } from "../answer.server.ts";
import { formAnswered } from "../form.server.ts";
import { signInWith } from "../sign-in.server.ts";
import { Button } from "../ui/button.tsx";
import { Court } from "../ui/court.tsx";
import { SelectField, TextField } from "../ui/field.tsx";
import { fieldOf, useSchemaForm } from "../ui/form.tsx";
import type { Route } from "./+types/set-up";

export const meta: Route.MetaFunction = () => [
  { title: "Set up · Daring Yard" },
  { name: "robots", content: "noindex" },
];

export async function loader({ params }: Route.LoaderArgs) {
  await found(openFirst(params.token));
  return { zones: Intl.supportedValuesOf("timeZone") };
}

export async function action({ request, params }: Route.ActionArgs) {
  return formAnswered(
    request,
    firstSchool,
    async (typed) => {
      const made = await makeFirstSchool(params.token, typed);
      const signedIn = await signInWith(request, made.email, made.password);
      throw redirect(signedIn.ok ? "/week" : "/sign-in", signedIn.ok ? { headers: signedIn.cookies } : {});
    },
    ["password"],
  );
}

/** Creates the first administrator of a new installation. The console prints a link to this page that works once. */
export default function SetUp({ loaderData: d, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const [form, fields] = useSchemaForm(firstSchool, {
    id: "set-up",
    first: { zone: "Europe/London" },
    answer: actionData,
  });
  return (
    <main className="grid min-h-dvh lg:grid-cols-[1.15fr_1fr]">
      <Court />
      <div className="grid content-center justify-items-center p-6">
        <Form method="post" {...getFormProps(form)} className="grid w-full max-w-sm gap-4">
          <h1 className="text-3xl">Set up your school</h1>
          <p className="text-quiet">
            You are the first person here. This link works once. You can add colleagues and more classes later.
          </p>
          <TextField label="School" autoComplete="organization" {...fieldOf(fields.school)} />
          <TextField label="Your name" autoComplete="name" {...fieldOf(fields.name)} />
          <TextField label="Your e-mail address" type="email" autoComplete="username" {...fieldOf(fields.email)} />
          <TextField label="Password" type="password" autoComplete="new-password" {...fieldOf(fields.password)} />
          <TextField label="Your first class" autoComplete="off" {...fieldOf(fields.group)} />
          <SelectField label="Time zone" {...fieldOf(fields.zone)}>
            {d.zones.map((zone) => (
              <option key={zone}>{zone}</option>
            ))}
          </SelectField>
          <Button look="main" className="mt-2" type="submit" disabled={busy}>
            {busy ? "Setting up …" : "Set up the school"}
          </Button>
        </Form>
      </div>
    </main>
  );
}
