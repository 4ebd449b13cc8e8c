import { say } from "#words/say.ts";
import { CardApp } from "../family/card/card-app.tsx";
import { stepOf } from "../family/card/card-data.ts";
import { cardAt } from "../family-link.server.ts";
import type { Route } from "./+types/family-card";

export const meta: Route.MetaFunction = ({ data, location }) => [
  {
    title: data
      ? say("card.titled", {
          step: say(`card.step.${stepOf(new URLSearchParams(location.search).get("screen"))}`),
          title: data.card.activity.title,
        })
      : "Daring Yard",
  },
  { name: "robots", content: "noindex" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  return { ...(await cardAt(params)), asked: { screen: searchParams.get("screen"), at: searchParams.get("at") } };
}

/** The five screens of a card are one page: moving between them asks the server nothing, so that it works offline. */
export const shouldRevalidate = () => false;

export default function FamilyCard({ loaderData }: Route.ComponentProps) {
  return <CardApp data={loaderData} />;
}
