CREATE TABLE "board_column" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"board" uuid NOT NULL,
	"name" text NOT NULL,
	"rank" text NOT NULL,
	"archived" boolean NOT NULL,
	CONSTRAINT "board_column_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "column_limit" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"column_id" text NOT NULL,
	"most" integer NOT NULL,
	CONSTRAINT "column_limit_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "column_status" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"column_id" text NOT NULL,
	"status" uuid NOT NULL,
	"kind" uuid,
	CONSTRAINT "column_status_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "option" (
	"workspace_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"field" uuid NOT NULL,
	"label" text NOT NULL,
	"colour" text NOT NULL,
	"rank" text NOT NULL,
	"archived" boolean NOT NULL,
	CONSTRAINT "option_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
CREATE TABLE "step" (
	"workspace_id" uuid NOT NULL,
	"id" text NOT NULL,
	"workflow" uuid NOT NULL,
	"status" uuid NOT NULL,
	"rank" text NOT NULL,
	"turn" jsonb NOT NULL,
	CONSTRAINT "step_workspace_id_id_pk" PRIMARY KEY("workspace_id","id")
);
--> statement-breakpoint
-- Whole numbers for an order become fractional keys: the n-th of a list gets the n-th of these.
CREATE FUNCTION wrenleaf_rank(place bigint) RETURNS text LANGUAGE sql IMMUTABLE AS $$
	SELECT 'b' || substr(digits, (least(place, 3843) / 62)::int + 1, 1) || substr(digits, (least(place, 3843) % 62)::int + 1, 1)
	FROM (VALUES ('0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz')) AS of(digits)
$$;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "rank" text;--> statement-breakpoint
ALTER TABLE "status" ADD COLUMN "project" uuid, ADD COLUMN "rank" text, ADD COLUMN "archived" boolean;--> statement-breakpoint
ALTER TABLE "workflow" ADD COLUMN "start" uuid;--> statement-breakpoint
ALTER TABLE "kind" ADD COLUMN "rank" text, ADD COLUMN "archived" boolean;--> statement-breakpoint
ALTER TABLE "field" ADD COLUMN "rank" text;--> statement-breakpoint
ALTER TABLE "board" ADD COLUMN "rank" text, ADD COLUMN "archived" boolean;--> statement-breakpoint
ALTER TABLE "view" ADD COLUMN "maker" uuid, ADD COLUMN "audience" jsonb, ADD COLUMN "rank" text;--> statement-breakpoint
ALTER TABLE "log" ADD COLUMN "model" integer, ADD COLUMN "by" jsonb;--> statement-breakpoint
UPDATE "project" SET "rank" = wrenleaf_rank(of.place) FROM (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id" ORDER BY "order", "id") - 1 AS place FROM "project"
) AS of WHERE of."workspace_id" = "project"."workspace_id" AND of."id" = "project"."id";--> statement-breakpoint
-- A workflow begins with the first of its statuses, which are the project's from now on.
UPDATE "workflow" SET "start" = (
	SELECT "status"."id" FROM "status" WHERE "status"."workspace_id" = "workflow"."workspace_id" AND "status"."workflow" = "workflow"."id"
	ORDER BY "status"."order", "status"."id" LIMIT 1
);--> statement-breakpoint
UPDATE "status" SET "project" = "workflow"."project", "archived" = false, "rank" = wrenleaf_rank(of.place) FROM "workflow", (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id", "workflow" ORDER BY "order", "id") - 1 AS place FROM "status"
) AS of WHERE "workflow"."workspace_id" = "status"."workspace_id" AND "workflow"."id" = "status"."workflow"
	AND of."workspace_id" = "status"."workspace_id" AND of."id" = "status"."id";--> statement-breakpoint
INSERT INTO "step" ("workspace_id", "id", "workflow", "status", "rank", "turn")
	SELECT "workspace_id", "workflow" || '/' || "id", "workflow", "id", "rank",
		CASE WHEN "turn" IS NULL THEN '{"of": "assignees"}'::jsonb ELSE jsonb_build_object('of', 'field', 'field', "turn") END
	FROM "status";--> statement-breakpoint
UPDATE "kind" SET "archived" = false, "rank" = wrenleaf_rank(of.place) FROM (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id", "project" ORDER BY "order", "id") - 1 AS place FROM "kind"
) AS of WHERE of."workspace_id" = "kind"."workspace_id" AND of."id" = "kind"."id";--> statement-breakpoint
INSERT INTO "option" ("workspace_id", "id", "field", "label", "colour", "rank", "archived")
	SELECT "field"."workspace_id", (of.option ->> 'id')::uuid, "field"."id", of.option ->> 'label', of.option ->> 'colour', wrenleaf_rank(of.place - 1), false
	FROM "field", jsonb_array_elements("field"."settings" -> 'options') WITH ORDINALITY AS of(option, place);--> statement-breakpoint
UPDATE "field" SET "settings" = "settings" - 'options', "rank" = wrenleaf_rank(of.place) FROM (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id", "project" ORDER BY "order", "id") - 1 AS place FROM "field"
) AS of WHERE of."workspace_id" = "field"."workspace_id" AND of."id" = "field"."id";--> statement-breakpoint
INSERT INTO "board_column" ("workspace_id", "id", "board", "name", "rank", "archived")
	SELECT "board"."workspace_id", of.its ->> 'id', "board"."id", of.its ->> 'name', wrenleaf_rank(of.place - 1), false
	FROM "board", jsonb_array_elements("board"."definition" -> 'columns') WITH ORDINALITY AS of(its, place);--> statement-breakpoint
INSERT INTO "column_status" ("workspace_id", "id", "column_id", "status", "kind")
	SELECT "board"."workspace_id", (of.its ->> 'id') || '/' || held.status, of.its ->> 'id', held.status::uuid, NULL
	FROM "board", jsonb_array_elements("board"."definition" -> 'columns') AS of(its), jsonb_array_elements_text(of.its -> 'statuses') AS held(status);--> statement-breakpoint
INSERT INTO "column_limit" ("workspace_id", "id", "column_id", "most")
	SELECT "board"."workspace_id", (of.its ->> 'id') || '/items', of.its ->> 'id', (of.its ->> 'limit')::int
	FROM "board", jsonb_array_elements("board"."definition" -> 'columns') AS of(its) WHERE of.its ->> 'limit' IS NOT NULL;--> statement-breakpoint
UPDATE "board" SET "archived" = false, "rank" = wrenleaf_rank(of.place) FROM (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id", "project" ORDER BY "order", "id") - 1 AS place FROM "board"
) AS of WHERE of."workspace_id" = "board"."workspace_id" AND of."id" = "board"."id";--> statement-breakpoint
-- Whoever made a shared view is found in the log; else the workspace's owner stands in.
UPDATE "view" SET
	"audience" = CASE WHEN "owner" IS NULL THEN '{"of": "project"}'::jsonb ELSE '{"of": "maker"}'::jsonb END,
	"maker" = coalesce("owner", (
		SELECT "log"."by_person" FROM "log" WHERE "log"."workspace_id" = "view"."workspace_id"
			AND "log"."patch" @> jsonb_build_array(jsonb_build_object('entity', 'view', 'id', "view"."id"::text, 'field', '*'))
		ORDER BY "log"."sequence" LIMIT 1
	), (
		SELECT "person"."id" FROM "person" WHERE "person"."workspace_id" = "view"."workspace_id" AND "person"."role" = 'owner'
		ORDER BY "person"."id" LIMIT 1
	)),
	"rank" = wrenleaf_rank(of.place)
FROM (
	SELECT "workspace_id", "id", row_number() OVER (PARTITION BY "workspace_id", "project" ORDER BY "owner" IS NOT NULL, "order", "id") - 1 AS place FROM "view"
) AS of WHERE of."workspace_id" = "view"."workspace_id" AND of."id" = "view"."id";--> statement-breakpoint
UPDATE "log" SET "model" = 1, "by" = jsonb_build_object('is', 'person', 'person', "by_person");--> statement-breakpoint
DROP FUNCTION wrenleaf_rank(bigint);--> statement-breakpoint
ALTER TABLE "project" ALTER COLUMN "rank" SET NOT NULL, DROP COLUMN "order";--> statement-breakpoint
ALTER TABLE "status" ALTER COLUMN "project" SET NOT NULL, ALTER COLUMN "rank" SET NOT NULL, ALTER COLUMN "archived" SET NOT NULL, DROP COLUMN "workflow", DROP COLUMN "order", DROP COLUMN "turn";--> statement-breakpoint
ALTER TABLE "workflow" ALTER COLUMN "start" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "kind" ALTER COLUMN "rank" SET NOT NULL, ALTER COLUMN "archived" SET NOT NULL, DROP COLUMN "order";--> statement-breakpoint
ALTER TABLE "field" ALTER COLUMN "rank" SET NOT NULL, DROP COLUMN "order";--> statement-breakpoint
ALTER TABLE "board" ALTER COLUMN "rank" SET NOT NULL, ALTER COLUMN "archived" SET NOT NULL, DROP COLUMN "order", DROP COLUMN "v", DROP COLUMN "definition";--> statement-breakpoint
ALTER TABLE "view" ALTER COLUMN "maker" SET NOT NULL, ALTER COLUMN "audience" SET NOT NULL, ALTER COLUMN "rank" SET NOT NULL, DROP COLUMN "owner", DROP COLUMN "order";--> statement-breakpoint
ALTER TABLE "log" ALTER COLUMN "model" SET NOT NULL, ALTER COLUMN "by" SET NOT NULL, DROP COLUMN "by_person";
