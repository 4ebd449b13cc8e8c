import { data } from "react-router";
import { openCard } from "#server/cards/family.ts";
import {
  type LinkTrouble,
  type OpenClassLink,
  type OpenLink,
  openClassLink,
  openLink,
} from "#server/links/open-link.ts";
import { found, idOf } from "./answer.server.ts";
import { when } from "./when.ts";

/** The link of a family page. If something is wrong with it, throws a page that says so. */
export async function familyOf(token: string): Promise<OpenLink> {
  const link = await openLink(token);
  if ("trouble" in link) throw broken(link.trouble);
  return link;
}

/** One card of a family, with its times written out. If there is no such card, throws a page that says so. */
export async function cardAt(params: { token: string; card: string }) {
  const { zone, locale, ...open } = await found(openCard(await familyOf(params.token), idOf(params.card, "card")));
  const clock = { zone, locale };
  return { ...open, token: params.token, opens: when(open.opensAt, clock), closes: when(open.closesAt, clock) };
}

/** The class of a survey link. If something is wrong with the link, throws a page that says so. */
export async function classOf(token: string): Promise<OpenClassLink> {
  const link = await openClassLink(token);
  if ("trouble" in link) throw broken(link.trouble);
  return link;
}

function broken(trouble: LinkTrouble) {
  return data(
    trouble === "withdrawn"
      ? {
          dead: true,
          title: "This link is off.",
          text: "Ask your teacher for the new one. Games saved on this device are safe.",
        }
      : {
          dead: true,
          title: "This link does not work.",
          text: "Check that you copied the whole link, or ask your teacher to send it again.",
        },
    { status: trouble === "withdrawn" ? 410 : 404 },
  );
}
