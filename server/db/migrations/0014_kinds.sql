ALTER TABLE "kind" ADD COLUMN "shows" jsonb;--> statement-breakpoint
ALTER TABLE "kind" ADD COLUMN "inside" jsonb;