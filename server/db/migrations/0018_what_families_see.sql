ALTER TABLE "school" ADD COLUMN "shows_best" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "shows_closed" boolean DEFAULT true NOT NULL;