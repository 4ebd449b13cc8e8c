import { CardApp } from "../family/card-app.tsx";
import { cardAt } from "../family-link.server.ts";
import type { Route } from "./+types/family-card";

export const meta: Route.MetaFunction = ({ data }) => [
  { title: data ? data.card.activity.title : "Daring Yard" },
  { name: "robots", content: "noindex" },
];

export const loader = ({ params }: Route.LoaderArgs) => cardAt(params);

/** The five screens of a card are one page: moving between them asks the server nothing, so that it works offline. */
export const shouldRevalidate = () => false;

export default function FamilyCard({ loaderData }: Route.ComponentProps) {
  return <CardApp data={loaderData} />;
}
