DROP TABLE "sign_in_try" CASCADE;--> statement-breakpoint
ALTER TABLE "card" DROP COLUMN "compiled";