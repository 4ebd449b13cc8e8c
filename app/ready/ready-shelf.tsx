import { Form, Link } from "react-router";
import { layoutOf } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { SKILLS, type Skill } from "#core/ready/skills.ts";
import { itemName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { MiniPlan } from "../ui/mini-plan.tsx";
import { answerOf } from "../workbench/stations.ts";
import { LENGTHS, MINUTES, PLACES, type Wish, wishing } from "./wish.ts";

interface Found {
  id: string;
  youngest: boolean;
  document: Activity;
}
/** So many are shown before more is asked for. */
const FIRST = 6;
const placeWords = (path: (typeof PLACES)[number]) => {
  const [where, who] = path.split("-");
  return `${label(`place.${where}`)}, ${label(`with.${who}`)}`;
};

function Chip({ to, is, children }: { to: string; is: boolean; children: React.ReactNode }) {
  return (
    <Link
      to={to}
      preventScrollReset
      aria-current={is ? "true" : undefined}
      className={`rounded-md border-2 px-2.5 py-1 text-sm font-semibold ${is ? "border-ink bg-mustard text-night" : "border-hair bg-raised hover:border-ink"}`}
    >
      {children}
    </Link>
  );
}
function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-center gap-1.5">
      <span aria-hidden="true" className="w-16 text-sm text-quiet">
        {name}
      </span>
      {children}
    </div>
  );
}

/** Activities of our own, found by skill, place and company for the ages of a class, and taken as they are. */
export function ReadyShelf({
  wish,
  classes,
  things,
  found,
}: {
  wish: Wish;
  classes: readonly { id: string; name: string }[];
  /** What can be asked for to play with. */
  things: readonly string[];
  found: readonly Found[];
}) {
  const [first, rest] = [found.slice(0, FIRST), found.slice(FIRST)];
  return (
    <section aria-label="Ready-made activities" className="mb-8">
      <h2 className="mb-2 text-lg">Ready-made activities</h2>
      <div className="mb-3 grid gap-1.5">
        <Row name="Class">
          {classes.map((child) => (
            <Chip key={child.id} to={wishing(wish, "class", child.id)} is={wish.class === child.id}>
              {child.name}
            </Chip>
          ))}
          <Chip to={wishing(wish, "class", "all")} is={wish.class === "all"}>
            any age
          </Chip>
        </Row>
        <Row name="Skill">
          {(Object.keys(SKILLS) as Skill[]).map((key) => (
            <Chip key={key} to={wishing(wish, "skill", key)} is={wish.skill === key}>
              {label(`skill.${key}`)}
            </Chip>
          ))}
        </Row>
        <Row name="Where">
          {PLACES.map((place) => (
            <Chip key={place} to={wishing(wish, "place", place)} is={wish.place === place}>
              {placeWords(place)}
            </Chip>
          ))}
        </Row>
        <Row name="At most">
          {MINUTES.map((minute) => (
            <Chip key={minute} to={wishing(wish, "minutes", minute)} is={wish.minutes === minute}>
              {minute} minutes
            </Chip>
          ))}
          {LENGTHS.map((length) => (
            <Chip key={length} to={wishing(wish, "length", length)} is={wish.length === length}>
              {length} m
            </Chip>
          ))}
        </Row>
        <Row name="With">
          {things.map((thing) => (
            <Chip key={thing} to={wishing(wish, "thing", thing)} is={wish.thing === thing}>
              {itemName(thing)}
            </Chip>
          ))}
        </Row>
      </div>
      <p role="status" className="mb-2 text-sm text-quiet">
        {found.length === 0
          ? "Nothing ready-made fits all of that. Drop one of the choices, or start from a game below."
          : `${found.length} ready`}
      </p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(330px,100%),1fr))] gap-4">
        {first.map((eachFound) => (
          <One key={eachFound.id} {...eachFound} />
        ))}
      </ul>
      {rest.length > 0 && (
        <details className="mt-3">
          <summary className="font-semibold">{rest.length} more</summary>
          <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(330px,100%),1fr))] gap-4">
            {rest.map((eachFound) => (
              <One key={eachFound.id} {...eachFound} />
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function One({ id, youngest, document: activity }: Found) {
  return (
    <li className="grid grid-cols-[110px_minmax(0,1fr)] gap-3 rounded-md border-2 border-hair bg-raised p-2.5">
      <div className="grid content-start gap-2">
        <MiniPlan parts={layoutOf(activity)} space={activity.space} />
        <span className="flex items-center gap-1.5 text-xs text-quiet">
          <ItemDrawing item={activity.kit.send} size={22} />
          {activity.space.length} × {activity.space.width} m
        </span>
      </div>
      <div className="grid content-start gap-1">
        <h3 className="font-head text-lg leading-tight font-bold">{activity.title}</h3>
        <p className="text-sm leading-snug">{activity.aim.outcome}.</p>
        <p className="text-xs text-quiet">
          {label(`pattern.${activity.pattern.name}`)}, {label(`action.${activity.aim.action}`).toLowerCase()}. Ages{" "}
          {activity.ages.from} to {activity.ages.to}, {activity.minutes} minutes. {answerOf("score", activity)}.
        </p>
        <Form method="post" className="mt-1 flex flex-wrap gap-2">
          <input type="hidden" name="intent" value="ready" />
          <input type="hidden" name="ready" value={id} />
          <button
            type="submit"
            name="youngest"
            value={youngest ? "yes" : "no"}
            className="btn btn-small"
            aria-label={`Use this: ${activity.title}`}
          >
            Use this
          </button>
          {!youngest && (
            <button
              type="submit"
              name="youngest"
              value="yes"
              className="btn btn-quiet btn-small"
              aria-label={`Use for the youngest: ${activity.title}`}
            >
              Use for the youngest
            </button>
          )}
        </Form>
      </div>
    </li>
  );
}
