ALTER TABLE "item" ADD COLUMN "phase_since" timestamp(3) with time zone;--> statement-breakpoint
UPDATE "item" SET "phase_since" = COALESCE((
  SELECT min(s."from_at") FROM "stay" s
  WHERE s."workspace_id" = "item"."workspace_id" AND s."item" = "item"."id" AND s."from_at" >= COALESCE((
    SELECT max(other."until_at") FROM "stay" other
    JOIN "status" held ON held."workspace_id" = other."workspace_id" AND held."id" = other."status"
    JOIN "status" now ON now."workspace_id" = "item"."workspace_id" AND now."id" = "item"."status"
    WHERE other."workspace_id" = "item"."workspace_id" AND other."item" = "item"."id" AND held."phase" <> now."phase"
  ), '-infinity')
), "status_since");--> statement-breakpoint
ALTER TABLE "item" ALTER COLUMN "phase_since" SET NOT NULL;
