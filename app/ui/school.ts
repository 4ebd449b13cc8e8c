import { useRouteLoaderData } from "react-router";
import type { Shell } from "#server/school/classes.ts";

/** The school of the teacher who is signed in: how it writes dates, and in which zone. */
export function useSchool(): Pick<Shell, "zone" | "locale" | "units"> {
  const shell = useRouteLoaderData<Shell>("routes/teacher");
  return shell ?? { zone: "Europe/London", locale: "en-GB", units: "metres" };
}
