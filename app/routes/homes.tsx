import { Copy } from "lucide-react";
import { useState } from "react";
import { Form } from "react-router";
import type { HomeSpace } from "#core/records/play.ts";
import { homesFor, withdrawLink } from "#server/school/classes.ts";
import { answered, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import { label } from "../words/teacher.ts";
import type { Route } from "./+types/homes";

export const meta: Route.MetaFunction = () => [{ title: "Homes · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  return { rows: await homesFor(await teacherOf(request)) };
}

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await request.formData();
  return answered(async () => {
    await withdrawLink(who, idOf(String(fields.get("child")), "child"), fields.get("intent") !== "withdraw");
    return { ok: true as const, problems: [] };
  });
}

export default function Homes({ loaderData }: Route.ComponentProps) {
  const classes = [...new Set(loaderData.rows.map((r) => r.className))];
  return (
    <main className="mx-auto w-full max-w-6xl p-6">
      <h1 className="mb-1 text-3xl">Homes</h1>
      <p className="mb-4 text-quiet">
        Every child has a private link. A withdrawn link stops working at once; a new one is another address.
      </p>
      {classes.map((c) => (
        <section key={c} className="mb-8">
          <h2 className="mb-1 text-lg">{c}</h2>
          <table className="w-full text-left text-[0.95rem]">
            <thead>
              <tr className="border-b-2 border-ink text-sm">
                <th className="py-1.5 font-semibold">Child</th>
                <th className="font-semibold">Age</th>
                <th className="font-semibold">Space</th>
                <th className="font-semibold">Players</th>
                <th className="font-semibold">Lives with</th>
                <th className="font-semibold">Private link</th>
              </tr>
            </thead>
            <tbody>
              {loaderData.rows
                .filter((r) => r.className === c)
                .map((r) => (
                  <Row key={r.childId} row={r} />
                ))}
            </tbody>
          </table>
        </section>
      ))}
    </main>
  );
}

function Row({ row: r }: { row: Route.ComponentProps["loaderData"]["rows"][number] }) {
  const siblings = [...new Set(r.homes.flatMap((h) => h.siblings))];
  return (
    <tr className="row-line align-middle">
      <td className="py-2 font-semibold">{r.child}</td>
      <td>{r.age}</td>
      <td>
        <div className="flex flex-wrap gap-3">
          {r.homes.map((h) => (
            <span key={h.id} className="flex items-center gap-2">
              <SpacePicture space={h.space} />
              <span className="text-sm">
                {h.space ? (
                  `${label(`space.${h.space.kind}`)}, ${h.space.length} × ${h.space.width} m, ${label(`floor.${h.space.floor}`)}`
                ) : (
                  <em className="text-quiet">not said</em>
                )}
              </span>
            </span>
          ))}
        </div>
      </td>
      <td>{r.homes.map((h) => h.players ?? "?").join(" / ")}</td>
      <td className="text-sm">{siblings.join(", ")}</td>
      <td>
        <div className="flex items-center gap-2">
          {r.token ? (
            <CopyLink path={`/f/${r.token}`} name={r.child} />
          ) : (
            <span className="tag border-coral">withdrawn</span>
          )}
          <Form method="post">
            <input type="hidden" name="child" value={r.childId} />
            {r.token && (
              <button
                type="submit"
                name="intent"
                value="withdraw"
                className="btn btn-quiet btn-small"
                aria-label={`Withdraw the link of ${r.child}`}
              >
                Withdraw
              </button>
            )}{" "}
            <button
              type="submit"
              name="intent"
              value="renew"
              className="btn btn-quiet btn-small"
              aria-label={`New link for ${r.child}`}
            >
              New link
            </button>
          </Form>
        </div>
      </td>
    </tr>
  );
}

function CopyLink({ path, name }: { path: string; name: string }) {
  const [copied, set] = useState(false);
  return (
    <>
      <a href={path} className="underline" aria-label={`Open the page of ${name}`}>
        open
      </a>
      <button
        type="button"
        className="btn btn-quiet btn-small"
        aria-label={`Copy the link of ${name}`}
        onClick={async () => {
          await navigator.clipboard.writeText(location.origin + path);
          set(true);
          setTimeout(() => set(false), 1500);
        }}
      >
        <Copy size={15} aria-hidden="true" />
        {copied ? "copied" : "copy"}
      </button>
    </>
  );
}

/** A home's space to one scale, its floor as a pattern. */
function SpacePicture({ space }: { space: HomeSpace | null }) {
  if (!space)
    return (
      <svg viewBox="0 0 64 32" width="64" height="32" aria-hidden="true">
        <rect
          x="2"
          y="6"
          width="60"
          height="20"
          fill="none"
          stroke="var(--color-hair)"
          strokeWidth="2"
          strokeDasharray="3 4"
        />
      </svg>
    );
  const k = Math.min(60 / space.length, 28 / space.width, 12);
  const dash = { carpet: "1 3", boards: "10 2", tile: "4 4", grass: "2 2 1 4", paving: "7 3" }[space.floor];
  return (
    <svg viewBox="0 0 64 32" width="64" height="32" aria-hidden="true">
      <rect
        x="2"
        y={16 - (space.width * k) / 2}
        width={space.length * k}
        height={space.width * k}
        fill="none"
        stroke="currentColor"
        strokeWidth={space.indoors ? 2.5 : 1.5}
      />
      <path
        d={`M4 16H${space.length * k}`}
        stroke="currentColor"
        strokeWidth="2"
        strokeOpacity="0.5"
        strokeDasharray={dash}
      />
    </svg>
  );
}
