import { data } from "react-router";
import {
  type LinkTrouble,
  type OpenClassLink,
  type OpenLink,
  openClassLink,
  openLink,
} from "#server/links/open-link.ts";

/** The link of a family page, or a page that says what is wrong with it. */
export async function familyOf(token: string): Promise<OpenLink> {
  const link = await openLink(token);
  if ("trouble" in link) throw broken(link.trouble);
  return link;
}

/** The class of a survey link, or a page that says what is wrong with it. */
export async function classOf(token: string): Promise<OpenClassLink> {
  const link = await openClassLink(token);
  if ("trouble" in link) throw broken(link.trouble);
  return link;
}

function broken(trouble: LinkTrouble) {
  return data(
    trouble === "withdrawn"
      ? {
          title: "This link was withdrawn.",
          text: "Ask your teacher for the new one. Games kept on this device stay here.",
        }
      : {
          title: "This link does not work.",
          text: "Check that the whole link was copied, or ask your teacher to send it again.",
        },
    { status: trouble === "withdrawn" ? 410 : 404 },
  );
}
