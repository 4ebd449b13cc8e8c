import { data, Form, redirect, useNavigation } from "react-router";
import { makeFirstSchool, openFirst } from "#server/auth/first-administrator.ts";
import { answered, found } from "../answer.server.ts";
import { fieldsOf } from "../read.server.ts";
import { signInWith } from "../sign-in.server.ts";
import { Court } from "../ui/court.tsx";
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
  const { password: typedPassword = "", ...typed } = await fieldsOf(request);
  const done = await answered(async () => {
    const made = await makeFirstSchool(params.token, { ...typed, password: typedPassword });
    const signedIn = await signInWith(request, made.email, made.password);
    throw redirect(signedIn.ok ? "/week" : "/sign-in", signedIn.ok ? { headers: signedIn.cookies } : {});
  });
  return data({ problems: done.data.problems, typed }, { status: 422 });
}

const FIELDS = [
  { name: "school", label: "School", autoComplete: "organization", type: "text" },
  { name: "name", label: "Your name", autoComplete: "name", type: "text" },
  { name: "email", label: "Your e-mail address", autoComplete: "username", type: "email" },
  { name: "password", label: "Password", autoComplete: "new-password", type: "password" },
  { name: "group", label: "Your first class", autoComplete: "off", type: "text" },
] as const;

/** Creates the first administrator of a new installation. The console prints a link to this page that works once. */
export default function SetUp({ loaderData: d, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const problem = (field: string) => actionData?.problems.find((eachProblem) => eachProblem.field === field)?.message;
  const problemOf = (field: string) =>
    problem(field) && (
      <span role="alert" id={`${field}-problem`} className="problem">
        {problem(field)}
      </span>
    );
  const described = (field: string) =>
    problem(field) ? { "aria-invalid": true, "aria-describedby": `${field}-problem` } : {};
  return (
    <main className="grid min-h-dvh lg:grid-cols-[1.15fr_1fr]">
      <Court />
      <div className="grid content-center justify-items-center p-6">
        <Form method="post" className="grid w-full max-w-sm gap-4">
          <h1 className="text-3xl">Set up your school</h1>
          <p className="text-quiet">
            You are the first person here. This link works once. You can add colleagues and more classes later.
          </p>
          {FIELDS.map((field) => (
            <label key={field.name} className="field">
              <span>{field.label}</span>
              <input
                name={field.name}
                type={field.type}
                autoComplete={field.autoComplete}
                required
                defaultValue={field.name === "password" ? "" : (actionData?.typed[field.name] ?? "")}
                {...described(field.name)}
              />
              {problemOf(field.name)}
            </label>
          ))}
          <label className="field">
            <span>Time zone</span>
            <select name="zone" defaultValue={actionData?.typed.zone ?? "Europe/London"} {...described("zone")}>
              {d.zones.map((zone) => (
                <option key={zone}>{zone}</option>
              ))}
            </select>
            {problemOf("zone")}
          </label>
          <button className="btn btn-main mt-2" type="submit" disabled={busy}>
            {busy ? "Setting up …" : "Set up the school"}
          </button>
        </Form>
      </div>
    </main>
  );
}
