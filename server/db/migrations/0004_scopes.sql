ALTER TABLE "log" ADD COLUMN "scopes" jsonb;--> statement-breakpoint
ALTER TABLE "log_part" ADD COLUMN "scopes" jsonb;--> statement-breakpoint
ALTER TABLE "log" DROP COLUMN "projects";