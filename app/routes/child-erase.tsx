import { Form, redirect } from "react-router";
import { eraseChild, erasePreview, GRACE_DAYS } from "#server/children/erase.ts";
import { tell } from "#words/tell.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import type { Route } from "./+types/child-erase";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `Delete ${d?.name ?? "a child"} · Daring Yard` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const id = idOf(params.id, "child");
  return { id, days: GRACE_DAYS, ...(await found(erasePreview(await teacherOf(request), id))) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  return answered(async () => {
    const id = idOf(params.id, "child");
    const { classId } = await eraseChild(who, id);
    throw redirect(`/homes?class=${classId}&deleted=${id}#deleted`);
  });
}

/** Shows what will be deleted with a child, before anything is deleted. */
export default function ChildErase({ loaderData: d }: Route.ComponentProps) {
  const first = d.name.split(" ")[0]!;
  const lists = d.homes.map((home) => `“${home}”`).join(", ");
  return (
    <Page>
      <PageHead above={{ to: `/homes/${d.id}`, name: d.name }} title={`Delete ${d.name}?`} />
      <p>This will be deleted from {d.className} and everywhere else in Daring Yard:</p>
      <ul className="my-3 list-disc pl-6">
        <li>{tell("erase.goes", { goes: d.goes, events: d.events, cards: d.cards })}</li>
        <li>{tell("erase.marks", { n: d.marks })}</li>
        <li>{tell("erase.messages", { messages: d.messages, answers: d.answers })}</li>
        {d.notes && <li>Your note, and what the family wrote about {first}</li>}
        <li>The private link, age, step length and level of {first}</li>
        {d.homes.length > 0 && <li>{tell("erase.homes", { n: d.homes.length, homes: lists })}</li>}
      </ul>
      {d.sharedHomes.length > 0 && (
        <p className="mb-3">
          {d.sharedHomes.map((sharedHome) => `“${sharedHome}”`).join(", ")} stays, because another child lives there
          too.
        </p>
      )}
      <p className="mb-4 max-w-prose">
        {first} disappears from every list at once, and the private link stops working. For {d.days} days you can
        restore {first} from Homes. After that everything above is deleted for good. Backups made earlier keep it until
        they are overwritten.
      </p>
      <Form method="post" className="flex gap-3">
        <Button type="submit" className="border-coral">
          Delete {d.name}
        </Button>
        <ButtonLink to={`/homes/${d.id}`} look="quiet">
          Keep {first}
        </ButtonLink>
      </Form>
    </Page>
  );
}
