import { Download, Printer } from "lucide-react";
import { Form, Link } from "react-router";
import { inSteps } from "#server/breathe.ts";
import { changeClassLink, classLink, LINK_CHANGES, type LinkChange } from "#server/homes/links.ts";
import { familyLinks } from "#server/links/of-class.ts";
import { squareCode } from "#server/links/qr-code.ts";
import { NotAllowed } from "#server/problem.ts";
import { tell } from "#words/tell.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { originFor } from "../origin.server.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, DownloadLink } from "../ui/button.tsx";
import { CopyButton } from "../ui/copy-button.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { Problems } from "../ui/problems.tsx";
import { SquareCode } from "../ui/qr-code.tsx";
import { Done, type Undo } from "../ui/toasts.tsx";
import type { Route } from "./+types/class-links";

export const meta: Route.MetaFunction = ({ data: d }) => [{ title: `${d?.title ?? "Links"} · Daring Yard` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const classId = idOf(params.id, "class");
  const { className, links } = await found(familyLinks(who, classId));
  const chosen = new Set(searchOf(request).all("chosen"));
  const origin = originFor(request);
  const shown = links.filter(({ childId }) => chosen.size === 0 || chosen.has(childId));
  const coded = await inSteps(shown, ({ token, ...l }) => {
    const address = token ? `${origin}/f/${token}` : null;
    return {
      ...l,
      address,
      code: address ? squareCode(address) : null,
      codeWords: tell("links.codeOf", { child: l.child }),
    };
  });
  const token = await classLink(who, classId);
  const classAddress = token ? `${origin}/c/${token}` : null;
  return {
    className,
    links: coded,
    some: chosen.size > 0,
    classAddress,
    classCode: classAddress ? squareCode(classAddress) : null,
    title: tell("links.title", { class: className }),
    how: tell("links.how"),
    printWords: tell("links.print"),
    copyWords: tell("links.copyAll"),
    none: tell("links.none"),
    scan: tell("links.scan"),
    off: tell("links.withdrawn"),
  };
}

const TOLD: Record<LinkChange, string> = {
  withdraw: "Class link turned off. No one can use it until you turn it on again.",
  restore: "Class link turned on again.",
  renew: "Class link replaced. The old link will never work again.",
};

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const classId = idOf(params.id, "class");
  const { intent } = await fieldsOf(request);
  return answered(async () => {
    const how = LINK_CHANGES.find((change) => change === intent);
    if (!how) throw NotAllowed.of("intent", "This page cannot do that. Load it again.");
    await changeClassLink(who, classId, how);
    const undo: Undo | null =
      how === "renew"
        ? null
        : {
            fields: { intent: how === "withdraw" ? "restore" : "withdraw" },
            action: `/classes/${classId}/links`,
            what: how === "withdraw" ? "turning off the class link" : "turning on the class link",
          };
    return { ok: true as const, problems: [], told: TOLD[how], undo };
  });
}

/**
 * Every family's private link, for schools that do not send mail from here: to copy, to save, or to print and cut
 * apart; and the link for the whole class.
 */
export default function ClassLinks({ loaderData, actionData, params }: Route.ComponentProps) {
  const { className, links, some } = loaderData;
  const all = links.flatMap((link) => (link.address ? [`${link.child}\t${link.address}`] : [])).join("\n");
  const problems = actionData && !actionData.ok ? actionData.problems : [];
  return (
    <Page className="print:max-w-none print:p-0">
      <div className="print:hidden">
        <PageHead
          above={{ to: `/homes?class=${params.id}`, name: "Homes" }}
          title={loaderData.title}
          about={<p className="max-w-2xl">{loaderData.how}</p>}
        >
          <Button look="main" onClick={() => print()}>
            <Printer size={17} aria-hidden="true" /> {loaderData.printWords}
          </Button>
          <CopyButton text={all} words={loaderData.copyWords} />
          <DownloadLink href={`/classes/${params.id}/links.csv`}>
            <Download size={17} aria-hidden="true" /> Export CSV
          </DownloadLink>
        </PageHead>
        {some && (
          <p className="mb-3 text-sm">
            Showing {links.length} chosen children.{" "}
            <Link to={`/classes/${params.id}/links`} className="underline">
              Show all of {className}
            </Link>
          </p>
        )}
        <Problems list={problems} />
        <Done
          text={actionData?.ok ? actionData.told : ""}
          undo={actionData?.ok ? actionData.undo : null}
          of={actionData}
        />
        {!some && <ClassLink data={loaderData} />}
      </div>
      {links.length === 0 && <p>{loaderData.none}</p>}
      <ul className="codes grid grid-cols-[repeat(auto-fill,minmax(min(330px,100%),1fr))] gap-3 print:grid-cols-2 print:gap-0">
        {links.map((link) => (
          <li
            key={link.childId}
            className="grid grid-cols-[104px_minmax(0,1fr)] items-center gap-3 rounded-md border-2 border-hair p-2 print:grid-cols-[34mm_1fr] print:rounded-none print:border print:border-dashed print:p-[3mm]"
          >
            {link.code ? (
              <SquareCode code={link.code} label={link.codeWords} className="w-[104px] rounded-sm print:w-[34mm]" />
            ) : (
              <span />
            )}
            <div className="grid gap-1">
              <strong className="font-head text-lg">{link.child}</strong>
              {link.address ? (
                <>
                  <p className="hidden text-[9pt] print:block">{loaderData.scan}</p>
                  <p className="text-xs break-all text-quiet print:text-[7pt]">{link.address}</p>
                  <span className="print:hidden">
                    <CopyButton text={link.address} words="Copy" of={link.child} small />
                  </span>
                </>
              ) : (
                <p className="text-quiet">{loaderData.off}</p>
              )}
            </div>
          </li>
        ))}
      </ul>
    </Page>
  );
}

/** The link for a newsletter or a notice board, with its code, and what can be done about it. */
function ClassLink({ data: d }: { data: Route.ComponentProps["loaderData"] }) {
  const { className, classAddress } = d;
  return (
    <section className="mb-6 flex flex-wrap items-center gap-4 border-y-2 border-ink py-3">
      {d.classCode && (
        <SquareCode code={d.classCode} label={`QR code for all of ${className}`} className="w-[104px] rounded-sm" />
      )}
      <div className="min-w-60 grow">
        <h2 className="text-lg">One link for all of {className}</h2>
        <p className="max-w-prose text-sm text-quiet">
          For a newsletter or notice board. It opens the home survey and shows no names. Answers wait under Homes until
          you match them to a child.
        </p>
        {classAddress ? (
          <a href={classAddress} className="text-xs break-all underline">
            {classAddress}
          </a>
        ) : (
          <span className="tag border-coral">link off</span>
        )}
      </div>
      {classAddress && <CopyButton text={classAddress} words="Copy" of={`${className}'s link`} />}
      <Form method="post" className="flex flex-wrap gap-2">
        {classAddress ? (
          <Button type="submit" look="quiet" name="intent" value="withdraw">
            Turn off class link
          </Button>
        ) : (
          <Button type="submit" name="intent" value="restore">
            Turn on class link
          </Button>
        )}
        <Button type="submit" look="quiet" name="intent" value="renew">
          Replace class link
        </Button>
      </Form>
    </section>
  );
}
