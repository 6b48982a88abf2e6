CREATE TABLE "overrule" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"column_id" text NOT NULL,
	"item" uuid NOT NULL,
	"reason" text NOT NULL,
	"by_person" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "overrule_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
ALTER TABLE "column_limit" ALTER COLUMN "most" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "board_column" ADD COLUMN "belongs" text;--> statement-breakpoint
ALTER TABLE "board_column" ADD COLUMN "leaves" text;--> statement-breakpoint
ALTER TABLE "column_limit" ADD COLUMN "least" integer;--> statement-breakpoint
ALTER TABLE "column_limit" ADD COLUMN "of_field" uuid;--> statement-breakpoint
ALTER TABLE "column_limit" ADD COLUMN "stops" boolean DEFAULT false NOT NULL;