ALTER TABLE "person" ADD COLUMN "hours" jsonb;
--> statement-breakpoint
UPDATE "person" SET "hours" = (
	SELECT jsonb_agg(CASE WHEN w."working_week" @> to_jsonb(day) THEN round("person"."hours_per_week" * 60.0 / jsonb_array_length(w."working_week")) ELSE 0 END ORDER BY day)
	FROM "workspace" w, generate_series(1, 7) day WHERE w."id" = "person"."workspace_id"
);
--> statement-breakpoint
ALTER TABLE "person" ALTER COLUMN "hours" SET NOT NULL;
