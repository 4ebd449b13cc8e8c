import { openCard } from "#server/cards/family.ts";
import { found, idOf } from "../answer.server.ts";
import { CardApp } from "../family/card-app.tsx";
import { familyOf } from "../family-link.server.ts";
import { when } from "../when.ts";
import type { Route } from "./+types/family-card";

export const meta: Route.MetaFunction = ({ data }) => [
  { title: data ? data.card.activity.title : "Daring Yard" },
  { name: "robots", content: "noindex" },
];

export async function loader({ params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const open = await found(openCard(link, idOf(params.card, "card")));
  return { ...open, token: params.token, opens: when(open.opensAt, open.zone), closes: when(open.closesAt, open.zone) };
}

/** The five screens of a card are one page: moving between them asks the server nothing, so that it works offline. */
export const shouldRevalidate = () => false;

export default function FamilyCard({ loaderData }: Route.ComponentProps) {
  return <CardApp data={loaderData} />;
}
