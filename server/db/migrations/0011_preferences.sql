CREATE TABLE "preference" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"theme" text NOT NULL,
	"density" text NOT NULL,
	"week_start" integer NOT NULL,
	"folded" jsonb NOT NULL,
	CONSTRAINT "preference_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
