import { useMemo } from "react";
import { type KitFit, withChange } from "#core/compile/class-fit.ts";
import type { HomeFacts } from "#core/compile/for-home.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { sayPhrase } from "#words/say.ts";
import { letText } from "./home-view.tsx";
import { changeText } from "./kit-panel.tsx";
import type { HomeFit } from "./strip.tsx";

/** A child of a class, and the homes where it may play. */
export interface HomesOf {
  child: string;
  className: string;
  homes: readonly HomeFacts[];
}
export interface Shown {
  name: string;
  age: number;
}
/** The youngest, the middle and the oldest child of a class. */
export function shownOf(children: readonly Shown[]): Shown[] {
  if (children.length === 0) return [6, 7, 8].map((age) => ({ name: `age ${age}`, age }));
  const sorted = [...children].sort((a, b) => a.age - b.age);
  return [sorted[0]!, sorted[Math.floor((sorted.length - 1) / 2)]!, sorted[sorted.length - 1]!];
}
export const RANKS = ["youngest", "typical", "oldest"];

/** The single change that would make a home ready. Changes for the teacher to make come before those for the family. */
function singleFor(activity: Activity, fit: KitFit, name: (item: string) => string): HomeFit["single"] {
  if (!fit.can) {
    const all = fit.lets.map((change) => ({ words: changeText(change, name), next: withChange(activity, change) }));
    return all.find((x) => x.next) ?? all[0] ?? null;
  }
  const [help] = fit.place?.status === "none" ? fit.place.lets : [];
  if (!help) return null;
  const next =
    help.kind === "fewer"
      ? opened(activity).remove(help.target)
      : help.kind === "backstop"
        ? { ...activity, behind: "soft" as const }
        : null;
  return { words: letText(help), next };
}

/** How an activity fits the homes of one child: the best of them. */
export function fitOf(
  activity: Activity,
  home: HomesOf,
  kit: ReadonlyMap<string, KitFit>,
  name: (item: string) => string,
): HomeFit {
  const fits = home.homes.flatMap((eachHome) => kit.get(eachHome.id) ?? []);
  const known = fits.filter((fit) => fit.place !== null || !fit.guessed);
  const of = (fit: boolean | null, why: string, single: HomeFit["single"] = null): HomeFit => ({
    name: home.child,
    fits: fit,
    why,
    single,
  });
  if (known.length === 0) return of(null, "no answer");
  const rank = (fit: KitFit) =>
    (fit.can ? 4 : 0) + { designed: 2, adapted: 1, none: 0 }[fit.place?.status ?? "designed"];
  const best = known.reduce((fit, f) => (rank(f) > rank(fit) ? f : fit));
  const { place } = best;
  if (!best.can)
    return of(false, best.missing.map((unmet) => sayPhrase(unmet.why)).join(" "), singleFor(activity, best, name));
  if (!place) return of(null, "space unknown");
  if (place.status === "none")
    return of(false, place.proved ? "too short" : "no room found", singleFor(activity, best, name));
  return of(true, place.status === "designed" ? "as designed" : `${Math.round(100 * (1 - place.scale))}% nearer`);
}

/** The homes of one class, each once, with its children and its name. */
export function useHomesOf(all: readonly HomesOf[], group: { name: string; children: readonly Shown[] } | undefined) {
  return useMemo(() => {
    const own = all.filter((homesOf) => homesOf.className === group?.name);
    const names: Record<string, string> = {};
    for (const homesOf of all)
      for (const home of homesOf.homes)
        names[home.id] = names[home.id] ? `${names[home.id]}, ${homesOf.child}` : homesOf.child;
    return {
      own,
      facts: [...new Map(own.flatMap((homesOf) => homesOf.homes.map((home) => [home.id, home] as const))).values()],
      choices: own.flatMap((homesOf) => {
        const age = group?.children.find((child) => child.name === homesOf.child)?.age ?? MIDDLE_AGE;
        return homesOf.homes.map((facts) => ({ child: homesOf.child, age, facts }));
      }),
      housed: own.map((homesOf) => ({ child: homesOf.child, homes: homesOf.homes.map((home) => home.id) })),
      names,
    };
  }, [all, group]);
}
/** The age assumed for a child who is no longer in a class. */
const MIDDLE_AGE = 8;
