ALTER TABLE "evidence" ADD COLUMN "hits" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "evidence" ADD COLUMN "means" jsonb;