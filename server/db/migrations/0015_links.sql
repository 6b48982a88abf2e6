CREATE TABLE "link" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"field" uuid NOT NULL,
	"from_item" uuid NOT NULL,
	"to_item" uuid NOT NULL,
	CONSTRAINT "link_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
