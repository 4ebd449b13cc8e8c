ALTER TABLE "child" ADD COLUMN "adjust" jsonb;--> statement-breakpoint
ALTER TABLE "survey_answer" ADD COLUMN "adjust" jsonb;