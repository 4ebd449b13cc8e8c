import { X } from "lucide-react";
import { Form, Link } from "react-router";
import { layoutOf } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { SKILLS, type Skill } from "#core/ready/skills.ts";
import { itemName } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { ItemDrawing } from "../drawings/items.tsx";
import { Button } from "../ui/button.tsx";
import { FilterChoice, ShowFiltered } from "../ui/filter-choice.tsx";
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

/** A chosen filter. Following the link takes it away again. */
const Chip = ({ to, children }: { to: string; children: string }) => (
  <Link
    to={to}
    preventScrollReset
    aria-label={`Remove filter: ${children}`}
    className="inline-flex min-h-8 items-center gap-1.5 rounded-md border-2 border-ink bg-mustard px-2.5 text-sm font-semibold text-night"
  >
    {children} <X size={14} aria-hidden="true" />
  </Link>
);

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
  const chosen = [
    wish.skill && { name: "skill" as const, value: wish.skill, words: label(`skill.${wish.skill}`) },
    wish.place && { name: "place" as const, value: wish.place, words: placeWords(wish.place) },
    wish.minutes && { name: "minutes" as const, value: wish.minutes, words: `${wish.minutes} minutes at most` },
    wish.length && { name: "length" as const, value: wish.length, words: `${wish.length} m at most` },
    wish.thing && { name: "thing" as const, value: wish.thing, words: itemName(wish.thing) },
  ].filter((choice) => choice !== null && choice !== 0 && choice !== "");
  const [first, rest] = [found.slice(0, FIRST), found.slice(FIRST)];
  return (
    <section aria-label="Ready-made activities" className="mb-8">
      <h2 className="mb-2 text-lg">Ready-made activities</h2>
      <Form method="get" className="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2 text-sm">
        <FilterChoice
          name="class"
          label="For"
          value={wish.class}
          any={["any age", "all"]}
          options={classes.map(({ id, name }) => [id, name] as const)}
        />
        <FilterChoice
          name="skill"
          label="Skill"
          value={wish.skill}
          any={["any skill", ""]}
          options={(Object.keys(SKILLS) as Skill[]).map((skill) => [skill, label(`skill.${skill}`)] as const)}
        />
        <FilterChoice
          name="place"
          label="Where"
          value={wish.place}
          any={["anywhere", ""]}
          options={PLACES.map((place) => [place, placeWords(place)] as const)}
        />
        <FilterChoice
          name="minutes"
          label="At most"
          value={wish.minutes}
          any={["any time", ""]}
          options={MINUTES.map((minutes) => [minutes, `${minutes} minutes`] as const)}
        />
        <FilterChoice
          name="length"
          label="Space"
          value={wish.length}
          any={["any length", ""]}
          options={LENGTHS.map((length) => [length, `${length} m`] as const)}
        />
        <FilterChoice
          name="thing"
          label="With"
          value={wish.thing}
          any={["anything", ""]}
          options={things.map((thing) => [thing, itemName(thing)] as const)}
        />
        <ShowFiltered />
      </Form>
      {chosen.length > 0 && (
        <p className="mb-2 flex flex-wrap items-center gap-1.5">
          {chosen.map(({ name, value, words }) => (
            <Chip key={name} to={wishing(wish, name, value)}>
              {words}
            </Chip>
          ))}
        </p>
      )}
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
          <Button
            type="submit"
            size="small"
            name="youngest"
            value={youngest ? "yes" : "no"}
            aria-label={`Use this: ${activity.title}`}
          >
            Use this
          </Button>
          {!youngest && (
            <Button
              type="submit"
              look="quiet"
              size="small"
              name="youngest"
              value="yes"
              aria-label={`Use for the youngest: ${activity.title}`}
            >
              Use for the youngest
            </Button>
          )}
        </Form>
      </div>
    </li>
  );
}
