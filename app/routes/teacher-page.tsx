import { Outlet } from "react-router";
import { troubleOf } from "../ui/error-message.ts";
import { Trouble } from "../ui/trouble.tsx";
import type { Route } from "./+types/teacher-page";

/**
 * The part of a teacher's page under the header. If something in it fails, the header stays, and with it the way on.
 */
export default function TeacherPage() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <Trouble {...troubleOf(error)} to="/week" way="Go to This week" />;
}
