import { cardsFor } from "#server/cards/family.ts";
import { familyHomes } from "#server/homes/family-homes.ts";
import { Island } from "../family/island.tsx";
import { familyOf } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { when } from "../when.ts";
import type { Route } from "./+types/family-cards";

export const meta: Route.MetaFunction = () => [{ title: "Your games" }, { name: "robots", content: "noindex" }];
export const handle = { ownScript: true };

export async function loader({ params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const [all, home] = await Promise.all([cardsFor(link), familyHomes(link)]);
  return {
    token: params.token,
    name: all.name,
    school: all.school,
    ids: all.ids,
    answered: home.homes.some((eachHome) => eachHome.answeredAt !== null),
    cards: all.cards.map((card) => ({
      ...card,
      opensAt: when(card.opensAt, all.zone),
      closesAt: when(card.closesAt, all.zone),
    })),
    scripts: familyScripts,
  };
}

export default function FamilyCards({ loaderData: { scripts, ...data } }: Route.ComponentProps) {
  return <Island page="cards" data={data} scripts={scripts} />;
}
