CREATE TABLE "message" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"person" uuid,
	"to_address" text NOT NULL,
	"subject" text NOT NULL,
	"text" text NOT NULL,
	"made" timestamp(3) with time zone NOT NULL,
	"sent" timestamp(3) with time zone,
	"trouble" text
);
--> statement-breakpoint
CREATE TABLE "one_time_link" (
	"id" text PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"person" uuid NOT NULL,
	"made" timestamp(3) with time zone NOT NULL,
	"until" timestamp(3) with time zone NOT NULL,
	"used" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE INDEX "message_made" ON "message" USING btree ("workspace_id","made");--> statement-breakpoint
CREATE INDEX "one_time_link_person" ON "one_time_link" USING btree ("workspace_id","person");