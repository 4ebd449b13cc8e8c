import { Form, useNavigation } from "react-router";
import type { Problem } from "#core/formats/activity.ts";
import { Button } from "../ui/button.tsx";
import { SelectField } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { MatchView } from "./view.server.ts";

interface Props {
  matches: readonly MatchView[];
  free: readonly { id: string; name: string }[];
  pairAll: string;
  problems: readonly Problem[];
  message: string;
  open: boolean;
}

/** Two homes in one match: who plays against whom, how far they are, and pairing more of them. */
export function HomeMatches({ matches, free, pairAll, problems, message: told, open }: Props) {
  const busy = useNavigation().state !== "idle";
  const pick = (name: string, hint: string) => (
    <SelectField label={hint} name={name} defaultValue="">
      <option value="" disabled>
        Choose
      </option>
      {free.map((child) => (
        <option key={child.id} value={child.id}>
          {child.name}
        </option>
      ))}
    </SelectField>
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
                    <strong className={match.winner === i ? "text-teal" : ""}>{side.child}</strong> {side.words}
                  </span>
                ))}
              </span>
              <span className="grow text-quiet">{match.outcome}</span>
              <Form method="post">
                <input type="hidden" name="matchId" value={match.id} />
                <Button
                  type="submit"
                  name="intent"
                  value="unpair"
                  look="quiet"
                  size="small"
                  aria-label={match.remove}
                  disabled={busy}
                >
                  Remove
                </Button>
              </Form>
            </li>
          ))}
        </ul>
      )}
      {open && free.length > 1 && (
        <div className="flex flex-wrap items-end gap-4">
          <Form method="post">
            <Button type="submit" name="intent" value="pairAll" size="small" disabled={busy}>
              {pairAll}
            </Button>
          </Form>
          <Form method="post" className="flex flex-wrap items-end gap-2">
            {pick("one", "Or pair these two")}
            {pick("two", "and")}
            <Button type="submit" name="intent" value="pair" disabled={busy}>
              Pair
            </Button>
          </Form>
        </div>
      )}
    </details>
  );
}
