ALTER TABLE "view" ADD COLUMN "about" text;--> statement-breakpoint
ALTER TABLE "view" ADD COLUMN "heading" text;--> statement-breakpoint
ALTER TABLE "view" ADD COLUMN "gives" jsonb;--> statement-breakpoint
ALTER TABLE "view" ADD COLUMN "archived" timestamp(3) with time zone;