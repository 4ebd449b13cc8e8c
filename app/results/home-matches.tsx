import { Form, useNavigation } from "react-router";
import type { Action } from "#core/actions/actions.ts";
import type { Problem } from "#core/formats/activity.ts";
import type { HomeMatch } from "#server/assignments/two-homes.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { problemText } from "../ui/problem-text.ts";

interface Props {
  matches: readonly HomeMatch[];
  skill: Action;
  free: readonly { id: string; name: string }[];
  problems: readonly Problem[];
  message: string;
  open: boolean;
}

/** Two homes in one match: who plays against whom, how far they are, and pairing more of them. */
export function HomeMatches({ matches, skill, free, problems, message: told, open }: Props) {
  const busy = useNavigation().state !== "idle";
  const pick = (name: string, hint: string) => (
    <label className="field">
      <span>{hint}</span>
      <select name={name} defaultValue="">
        <option value="" disabled>
          Choose
        </option>
        {free.map((child) => (
          <option key={child.id} value={child.id}>
            {child.name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <details
      className="mt-3"
      open={matches.length > 0 || told !== "" || problems.some((problem) => problem.field === "pair")}
    >
      <summary className="cursor-pointer font-semibold">Match two homes</summary>
      <p className="my-2 max-w-prose text-quiet">
        Each child plays a whole game at home on their own card, and the better score wins. Both families say yes first.
        The other home sees only a word the child chooses, and the score.
      </p>
      {problems
        .filter((problem) => problem.field === "pair")
        .map((problem) => (
          <p key={problem.message} role="alert" className="problem">
            {problemText(problem.message)}
          </p>
        ))}
      <p role="status">{told}</p>
      {matches.length > 0 && (
        <ul className="my-2 grid gap-1">
          {matches.map((match) => (
            <li key={match.id} className="row-line flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
              <span className="min-w-64">
                {match.sides.map((side, i) => (
                  <span key={side.child}>
                    {i > 0 && " · "}
                    <strong className={match.joined.winner === i ? "text-teal" : ""}>{side.child}</strong>{" "}
                    {side.go
                      ? tellScore(side.go.score.value, side.go.score.unit, skill)
                      : label(side.yes ? "pair.yes" : "pair.asked")}
                  </span>
                ))}
              </span>
              <span className="grow text-quiet">
                {match.joined.state === "played"
                  ? match.joined.winner === null
                    ? label("pair.level")
                    : tell("pair.won", { name: match.sides[match.joined.winner]!.child })
                  : label(`pair.${match.joined.state}`)}
              </span>
              <Form method="post">
                <input type="hidden" name="matchId" value={match.id} />
                <button
                  type="submit"
                  name="intent"
                  value="unpair"
                  className="btn btn-quiet btn-small"
                  aria-label={tell("pair.takeBack", { names: match.sides.map((side) => side.child).join(", ") })}
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
