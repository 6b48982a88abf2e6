ALTER TABLE "field" ADD COLUMN "required" boolean;--> statement-breakpoint
ALTER TABLE "field" ADD COLUMN "fallback" jsonb;