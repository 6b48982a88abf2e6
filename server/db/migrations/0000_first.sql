CREATE TABLE "board" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"name" text NOT NULL,
	"order" integer NOT NULL,
	"v" integer NOT NULL,
	"definition" jsonb NOT NULL,
	CONSTRAINT "board_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "credential" (
	"workspace_id" uuid NOT NULL,
	"person" uuid NOT NULL,
	"password" text NOT NULL,
	CONSTRAINT "credential_workspace_id_person_pk" PRIMARY KEY("workspace_id","person")
);
--> statement-breakpoint
CREATE TABLE "field" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"name" text NOT NULL,
	"help" text NOT NULL,
	"type" text NOT NULL,
	"settings" jsonb NOT NULL,
	"order" integer NOT NULL,
	"archived" boolean NOT NULL,
	CONSTRAINT "field_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "item" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"number" integer NOT NULL,
	"kind" uuid NOT NULL,
	"title" text NOT NULL,
	"status" uuid NOT NULL,
	"parent" uuid,
	"rank" text NOT NULL,
	"sibling_rank" text NOT NULL,
	"values" jsonb NOT NULL,
	"stay" text NOT NULL,
	"status_since" timestamp(3) with time zone NOT NULL,
	"started" timestamp(3) with time zone,
	"finished" timestamp(3) with time zone,
	"archived" timestamp(3) with time zone,
	"created" timestamp(3) with time zone NOT NULL,
	"created_by" uuid NOT NULL,
	"changed" timestamp(3) with time zone NOT NULL,
	"changed_by" uuid NOT NULL,
	CONSTRAINT "item_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "kind" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"workflow" uuid NOT NULL,
	"name" text NOT NULL,
	"icon" text NOT NULL,
	"order" integer NOT NULL,
	CONSTRAINT "kind_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "log" (
	"workspace_id" uuid NOT NULL,
	"sequence" bigint NOT NULL,
	"command" uuid NOT NULL,
	"type" text NOT NULL,
	"v" integer NOT NULL,
	"body" jsonb NOT NULL,
	"patch" jsonb,
	"parts" integer NOT NULL,
	"by_person" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"more" jsonb NOT NULL,
	"projects" jsonb NOT NULL,
	CONSTRAINT "log_workspace_id_sequence_pk" PRIMARY KEY("workspace_id","sequence")
);
--> statement-breakpoint
CREATE TABLE "log_item" (
	"workspace_id" uuid NOT NULL,
	"item" uuid NOT NULL,
	"sequence" bigint NOT NULL,
	"part" integer,
	CONSTRAINT "log_item_workspace_id_item_sequence_pk" PRIMARY KEY("workspace_id","item","sequence")
);
--> statement-breakpoint
CREATE TABLE "log_part" (
	"workspace_id" uuid NOT NULL,
	"sequence" bigint NOT NULL,
	"part" integer NOT NULL,
	"patch" jsonb NOT NULL,
	CONSTRAINT "log_part_workspace_id_sequence_part_pk" PRIMARY KEY("workspace_id","sequence","part")
);
--> statement-breakpoint
CREATE TABLE "long_text" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"item" uuid NOT NULL,
	"field" uuid NOT NULL,
	"revision" integer NOT NULL,
	"text" text NOT NULL,
	CONSTRAINT "long_text_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "member" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"project" uuid NOT NULL,
	"person" uuid NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "member_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"email" text,
	"role" text,
	"colour" text NOT NULL,
	"hours_per_week" integer NOT NULL,
	"active" boolean NOT NULL,
	CONSTRAINT "person_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "project" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"prefix" text NOT NULL,
	"old_prefixes" jsonb NOT NULL,
	"colour" text NOT NULL,
	"order" integer NOT NULL,
	"archived" boolean NOT NULL,
	"uses" jsonb NOT NULL,
	"next_number" integer NOT NULL,
	CONSTRAINT "project_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"person" uuid NOT NULL,
	"made" timestamp(3) with time zone NOT NULL,
	"last_seen" timestamp(3) with time zone NOT NULL,
	"ended" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "status" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"workflow" uuid NOT NULL,
	"name" text NOT NULL,
	"phase" text NOT NULL,
	"colour" text NOT NULL,
	"order" integer NOT NULL,
	"turn" uuid,
	CONSTRAINT "status_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "stay" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"item" uuid NOT NULL,
	"status" uuid NOT NULL,
	"from_at" timestamp(3) with time zone NOT NULL,
	"until_at" timestamp(3) with time zone,
	CONSTRAINT "stay_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "view" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"owner" uuid,
	"name" text NOT NULL,
	"order" integer NOT NULL,
	"definition" jsonb NOT NULL,
	CONSTRAINT "view_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "workflow" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"project" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "workflow_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "workspace" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"working_week" jsonb NOT NULL,
	"holidays" jsonb NOT NULL,
	"demo" boolean NOT NULL,
	"sequence" bigint NOT NULL
);
--> statement-breakpoint
CREATE INDEX "item_number" ON "item" USING btree ("workspace_id","project","number");--> statement-breakpoint
CREATE UNIQUE INDEX "log_command" ON "log" USING btree ("workspace_id","command");--> statement-breakpoint
CREATE INDEX "stay_item" ON "stay" USING btree ("workspace_id","item");