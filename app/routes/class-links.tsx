import { Download, Printer } from "lucide-react";
import { inSteps } from "#server/breathe.ts";
import { familyLinks } from "#server/links/of-class.ts";
import { squareCode } from "#server/links/qr-code.ts";
import { tell } from "#words/tell.ts";
import { found, idOf } from "../answer.server.ts";
import { originFor } from "../origin.server.ts";
import { teacherOf } from "../session.server.ts";
import { CopyButton } from "../ui/copy-button.tsx";
import { SquareCode } from "../ui/qr-code.tsx";
import type { Route } from "./+types/class-links";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d ? tell("links.title", { class: d.className }) : "Links"} · Daring Yard` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { className, links } = await found(familyLinks(who, idOf(params.id, "class")));
  const origin = originFor(request);
  const coded = await inSteps(links, ({ token, ...l }) => {
    const address = token ? `${origin}/f/${token}` : null;
    return { ...l, address, code: address ? squareCode(address) : null };
  });
  return { className, links: coded };
}

/**
 * Every family's private link, for schools that do not send mail from here: to copy, to save, or to print and cut
 * apart.
 */
export default function ClassLinks({ loaderData, params }: Route.ComponentProps) {
  const { className, links } = loaderData;
  const all = links.flatMap((link) => (link.address ? [`${link.child}\t${link.address}`] : [])).join("\n");
  return (
    <main className="mx-auto w-full max-w-6xl p-6 print:max-w-none print:p-0">
      <div className="mb-4 flex flex-wrap items-end gap-3 print:hidden">
        <div className="min-w-[min(20rem,100%)] flex-1">
          <h1 className="text-3xl">{tell("links.title", { class: className })}</h1>
          <p className="max-w-2xl text-quiet">{tell("links.how")}</p>
        </div>
        <div className="flex flex-wrap gap-3">
          <CopyButton text={all} words={tell("links.copyAll")} />
          <a className="btn" href={`/classes/${params.id}/links.csv`} download>
            <Download size={17} aria-hidden="true" /> CSV
          </a>
          <button type="button" className="btn btn-main" onClick={() => print()}>
            <Printer size={17} aria-hidden="true" /> {tell("links.print")}
          </button>
        </div>
      </div>
      {links.length === 0 && <p>{tell("links.none")}</p>}
      <ul className="codes grid grid-cols-[repeat(auto-fill,minmax(min(330px,100%),1fr))] gap-3 print:grid-cols-2 print:gap-0">
        {links.map((link) => (
          <li
            key={link.childId}
            className="grid grid-cols-[104px_minmax(0,1fr)] items-center gap-3 rounded-md border-2 border-hair p-2 print:grid-cols-[34mm_1fr] print:rounded-none print:border print:border-dashed print:p-[3mm]"
          >
            {link.code ? (
              <SquareCode
                code={link.code}
                label={tell("links.codeOf", { child: link.child })}
                className="w-[104px] rounded-sm print:w-[34mm]"
              />
            ) : (
              <span />
            )}
            <div className="grid gap-1">
              <strong className="font-head text-lg">{link.child}</strong>
              {link.address ? (
                <>
                  <p className="hidden text-[9pt] print:block">{tell("links.scan")}</p>
                  <p className="text-xs break-all text-quiet print:text-[7pt]">{link.address}</p>
                  <span className="print:hidden">
                    <CopyButton text={link.address} words={tell("links.copy")} of={link.child} small />
                  </span>
                </>
              ) : (
                <p className="text-quiet">{tell("links.withdrawn")}</p>
              )}
            </div>
          </li>
        ))}
      </ul>
    </main>
  );
}
