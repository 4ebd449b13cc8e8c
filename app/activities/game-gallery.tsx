import { Form, Link, useSearchParams } from "react-router";
import { MODES, type Mode } from "#core/contract/contract.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { SKILLS, type Skill, skillsOf } from "#core/ready/skills.ts";
import { label } from "#words/teacher.ts";
import { FilterChoice, ShowFiltered } from "../ui/filter-choice.tsx";
import { MiniPlan } from "../ui/mini-plan.tsx";

/** The names of the filters in the address. */
const FILTERS = ["game-skill", "game-where", "game-players"] as const;

interface Game {
  name: (typeof patternNames)[number];
  activity: Activity;
  modes: readonly Mode[];
  skills: readonly Skill[];
}
const GAMES: readonly Game[] = patternNames.map((name) => {
  const activity = fromPattern(name);
  return { name, activity, modes: patternOf(name).modes, skills: skillsOf(activity) };
});

/** Whether a game is what the filters ask for: a skill that it trains, where it is as it comes, a way to play it. */
export function suits(game: Game, asked: { get: (name: string) => string | null }): boolean {
  const [skill, where, players] = FILTERS.map((name) => asked.get(name) || null);
  return (
    (!skill || game.skills.includes(skill as Skill)) &&
    (!where || (where === "in") === game.activity.space.indoors) &&
    (!players || game.modes.includes(players as Mode))
  );
}

/** Every game with its picture, found by skill, place and players. A press begins an activity from it. */
export function GameGallery() {
  const [search] = useSearchParams();
  const games = GAMES.filter((game) => suits(game, search));
  return (
    <section aria-label="New from a game" className="mb-8">
      <h2 id="new" tabIndex={-1} className="mb-2 scroll-mt-4 text-xl outline-none">
        New from a game
      </h2>
      <GameFilters search={search} />
      <p role="status" className="mb-2 text-sm text-quiet">
        {games.length === GAMES.length ? (
          `${games.length} games`
        ) : (
          <>
            {games.length} of {GAMES.length} games.{" "}
            <Link to={`?${without(search)}`} preventScrollReset className="underline">
              Show all games
            </Link>
          </>
        )}
      </p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-4">
        {games.map(({ name, activity, skills, modes }) => (
          <li key={name}>
            <Form method="post">
              <input type="hidden" name="pattern" value={name} />
              <button
                type="submit"
                name="intent"
                value="new"
                className="grid w-full grid-cols-[96px_1fr] items-center gap-3 rounded-md border-2 border-ink bg-raised p-2.5 text-left hover:border-teal"
              >
                <MiniPlan parts={layoutOf(activity)} space={activity.space} />
                <span>
                  <span className="block font-head text-lg font-bold">{label(`pattern.${name}`)}</span>
                  <span className="block text-sm text-quiet">{label(`pattern.${name}.how`)}</span>
                  <span className="mt-1 block text-xs text-quiet">
                    Trains {skills.map((skill) => label(`skill.${skill}`).toLowerCase()).join(", ")}.{" "}
                    {modes.map((mode) => label(`mode.${mode}`)).join(" · ")}
                  </span>
                </span>
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The address without the filters of this gallery. */
function without(search: URLSearchParams): URLSearchParams {
  const rest = new URLSearchParams(search);
  for (const name of FILTERS) rest.delete(name);
  return rest;
}

function GameFilters({ search }: { search: URLSearchParams }) {
  return (
    <Form method="get" preventScrollReset className="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2 text-sm">
      {[...without(search)].map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <FilterChoice
        name="game-skill"
        label="Skill"
        value={search.get("game-skill")}
        any={["any skill", ""]}
        options={(Object.keys(SKILLS) as Skill[]).map((skill) => [skill, label(`skill.${skill}`)] as const)}
      />
      <FilterChoice
        name="game-where"
        label="Where, as it comes"
        value={search.get("game-where")}
        any={["anywhere", ""]}
        options={(["in", "out"] as const).map((where) => [where, label(`place.${where}`)] as const)}
      />
      <FilterChoice
        name="game-players"
        label="Players"
        value={search.get("game-players")}
        any={["any number", ""]}
        options={MODES.map((mode) => [mode, label(`mode.${mode}`).replace(/ \(.*/, "")] as const)}
      />
      <ShowFiltered />
    </Form>
  );
}
