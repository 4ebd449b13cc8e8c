import { z } from "zod";
import { className, schoolSettings } from "#core/records/school.ts";

// The forms of Settings. The browser and the server read them alike. A tick that is not set arrives as nothing.
const { shape } = schoolSettings;

export const schoolForm = z.object({
  ...shape,
  showsBest: shape.showsBest.default(false),
  showsClosed: shape.showsClosed.default(false),
});
export const newClassForm = z.object({ name: className, orderId: z.string() });
export const renameForm = z.object({ name: className, class: z.string() });
export const moveForm = z.object({
  to: z.string(),
  chosen: z.array(z.string(), "Tick the children to move.").min(1, "Tick the children to move."),
});
