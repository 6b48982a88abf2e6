CREATE TABLE "day_off" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person" uuid,
	"first_day" text NOT NULL,
	"last_day" text NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "day_off_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
INSERT INTO "day_off" ("workspace_id", "id", "person", "first_day", "last_day", "name")
SELECT "workspace", gen_random_uuid(), NULL::uuid, "day", "day", ''
FROM (SELECT DISTINCT "id" AS "workspace", jsonb_array_elements_text("holidays") AS "day" FROM "workspace") AS "free";
--> statement-breakpoint
ALTER TABLE "workspace" DROP COLUMN "holidays";