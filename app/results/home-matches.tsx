import { Form, useNavigation } from "react-router";
import type { Action } from "#core/actions/actions.ts";
import type { Problem } from "#core/formats/activity.ts";
import type { HomeMatch } from "#server/assignments/two-homes.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";

interface Props {
  matches: readonly HomeMatch[];
  skill: Action;
  free: readonly { id: string; name: string }[];
  problems: readonly Problem[];
  told: string;
  open: boolean;
}

/** Two homes in one match: who plays against whom, how far they are, and pairing more of them. */
export function HomeMatches({ matches, skill, free, problems, told, open }: Props) {
  const busy = useNavigation().state !== "idle";
  const pick = (name: string, hint: string) => (
    <label className="field">
      <span>{hint}</span>
      <select name={name} defaultValue="">
        <option value="" disabled>
          Choose
        </option>
        {free.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <details className="mt-3" open={matches.length > 0 || told !== "" || problems.some((p) => p.field === "pair")}>
      <summary className="cursor-pointer font-semibold">Match two homes</summary>
      <p className="my-2 max-w-prose text-quiet">
        Each child plays a whole game at home on their own card, and the better score wins. Both families say yes first.
        The other home sees only a word the child chooses, and the score.
      </p>
      {problems
        .filter((p) => p.field === "pair")
        .map((p) => (
          <p key={p.message} role="alert" className="problem">
            {p.message}
          </p>
        ))}
      <p role="status">{told}</p>
      {matches.length > 0 && (
        <ul className="my-2 grid gap-1">
          {matches.map((m) => (
            <li key={m.id} className="row-line flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
              <span className="min-w-64">
                {m.sides.map((s, i) => (
                  <span key={s.child}>
                    {i > 0 && " · "}
                    <strong className={m.joined.winner === i ? "text-teal" : ""}>{s.child}</strong>{" "}
                    {s.go
                      ? tellScore(s.go.score.value, s.go.score.unit, skill)
                      : label(s.yes ? "pair.yes" : "pair.asked")}
                  </span>
                ))}
              </span>
              <span className="grow text-quiet">
                {m.joined.state === "played"
                  ? m.joined.winner === null
                    ? label("pair.level")
                    : tell("pair.won", { name: m.sides[m.joined.winner]!.child })
                  : label(`pair.${m.joined.state}`)}
              </span>
              <Form method="post">
                <input type="hidden" name="matchId" value={m.id} />
                <button
                  type="submit"
                  name="intent"
                  value="unpair"
                  className="btn btn-quiet btn-small"
                  aria-label={tell("pair.takeBack", { names: m.sides.map((s) => s.child).join(", ") })}
                  disabled={busy}
                >
                  Remove
                </button>
              </Form>
            </li>
          ))}
        </ul>
      )}
      {open && free.length > 1 && (
        <div className="flex flex-wrap items-end gap-4">
          <Form method="post">
            <button type="submit" name="intent" value="pairAll" className="btn btn-small" disabled={busy}>
              {tell("pair.all", { count: free.length })}
            </button>
          </Form>
          <Form method="post" className="flex flex-wrap items-end gap-2">
            {pick("one", "Or pair these two")}
            {pick("two", "and")}
            <button type="submit" name="intent" value="pair" className="btn btn-small" disabled={busy}>
              Pair
            </button>
          </Form>
        </div>
      )}
    </details>
  );
}
