import { index, layout, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("routes/start.tsx"),
  route("sign-in", "routes/sign-in.tsx"),
  route("sign-in-here", "routes/sign-in-here.ts"),
  route("sign-out", "routes/sign-out.tsx"),
  route("about", "routes/about.tsx"),
  route("healthz", "routes/healthz.ts"),
  layout("routes/teacher.tsx", [
    route("week", "routes/week.tsx"),
    route("activities", "routes/activities.tsx"),
    route("activities/:id", "routes/workbench.tsx"),
    route("homes", "routes/homes.tsx"),
    route("results", "routes/results.tsx"),
    route("results/:id", "routes/result.tsx"),
    route("outbox", "routes/outbox.tsx"),
  ]),
  route("activities/:id/file", "routes/activity-file.ts"),
  route("activities/:id/save", "routes/activity-save.ts"),
  route("results/:id/csv", "routes/results-csv.ts"),
  route("f/:token", "routes/family-cards.tsx"),
  route("f/:token/:card", "routes/family-card.tsx"),
  route("api/hand-in/:token", "routes/hand-in.ts"),
] satisfies RouteConfig;
