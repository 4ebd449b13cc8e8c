import { redirect } from "react-router";
import { signedIn } from "../session.server.ts";
import type { Route } from "./+types/start";

export async function loader({ request }: Route.LoaderArgs) {
  throw redirect((await signedIn(request)) ? "/week" : "/sign-in");
}
