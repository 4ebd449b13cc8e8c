import { data } from "react-router";
import { type OpenLink, openLink } from "#server/links/open-link.ts";

/** The link of a family page, or a page that says what is wrong with it. */
export async function familyOf(token: string): Promise<OpenLink> {
  const link = await openLink(token);
  if (!("trouble" in link)) return link;
  throw data(
    link.trouble === "withdrawn"
      ? {
          title: "This link was withdrawn.",
          text: "Ask your teacher for the new one. Games kept on this device stay here.",
        }
      : {
          title: "This link does not work.",
          text: "Check that the whole link was copied, or ask your teacher to send it again.",
        },
    { status: link.trouble === "withdrawn" ? 410 : 404 },
  );
}
