CREATE TABLE "look" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"project" uuid NOT NULL,
	"view" uuid NOT NULL,
	"person" uuid NOT NULL,
	"widths" jsonb NOT NULL,
	CONSTRAINT "look_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
