ALTER TABLE "workspace" ADD COLUMN "unwritten" bigint;--> statement-breakpoint
ALTER TABLE "log_part" ADD COLUMN "command" uuid;--> statement-breakpoint
UPDATE "log_part" SET "command" = "log"."command" FROM "log" WHERE "log"."workspace_id" = "log_part"."workspace_id" AND "log"."sequence" = "log_part"."sequence";--> statement-breakpoint
ALTER TABLE "log_part" ALTER COLUMN "command" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "log_part" DROP CONSTRAINT "log_part_workspace_id_sequence_part_pk";--> statement-breakpoint
ALTER TABLE "log_part" DROP COLUMN "sequence";--> statement-breakpoint
ALTER TABLE "log_part" ADD CONSTRAINT "log_part_workspace_id_command_part_pk" PRIMARY KEY("workspace_id","command","part");
