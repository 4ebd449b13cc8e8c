import type { Activity } from "#core/formats/activity.ts";
import { itemsPlayed } from "#core/formats/items-played.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { titleOf } from "../family/card/card-app.tsx";
import { stepOf } from "../family/card/card-data.ts";
import { FamilyPage, type FamilyPageData } from "../family/family-page.tsx";
import { Island } from "../family/island.tsx";
import { cardAt } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import type { Route } from "./+types/family-card";

export const meta: Route.MetaFunction = ({ data, location }) => [
  {
    title: data
      ? titleOf(stepOf(new URLSearchParams(location.search).get("screen")), data.card.activity.title)
      : "Daring Yard",
  },
  { name: "robots", content: "noindex" },
];

export const handle = { ownScript: true };

/** The built-in items of a game for two sides, without how to make them. */
const itemsOfMatch = (activity: Activity) =>
  activity.players.modes.includes("against")
    ? itemsPlayed(activity).flatMap((id) => {
        const item = catalogueItem(id);
        return item ? [{ ...item, made: null }] : [];
      })
    : [];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  const asked = { screen: searchParams.get("screen"), at: searchParams.get("at") };
  const card = await cardAt(params);
  return { ...card, items: itemsOfMatch(card.card.activity), asked, scripts: familyScripts.cards };
}

/** The five screens of a card are one page. Moving between them needs no request, so that it works offline. */
export default function FamilyCard({ loaderData: { scripts, ...data } }: Route.ComponentProps) {
  const page: FamilyPageData = { page: "card", data };
  return (
    <Island scripts={scripts} data={page}>
      <FamilyPage {...page} />
    </Island>
  );
}
