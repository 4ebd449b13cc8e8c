import { cardsFor } from "#server/cards/family.ts";
import { familyHomes } from "#server/homes/family-homes.ts";
import { FamilyPage, type FamilyPageData } from "../family/family-page.tsx";
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
      opensAt: when(card.opensAt, all),
      closesAt: when(card.closesAt, all),
    })),
    scripts: familyScripts.cards,
  };
}

export default function FamilyCards({ loaderData: { scripts, ...data } }: Route.ComponentProps) {
  const page: FamilyPageData = { page: "cards", data };
  return (
    <Island scripts={scripts} data={page}>
      <FamilyPage {...page} />
    </Island>
  );
}
