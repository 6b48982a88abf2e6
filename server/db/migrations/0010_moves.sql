CREATE TABLE "move_note" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"status" uuid NOT NULL,
	"item" uuid NOT NULL,
	"text" text NOT NULL,
	"by_person" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "move_note_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "goes_to" jsonb;--> statement-breakpoint
ALTER TABLE "step" ADD COLUMN "asks" jsonb;