CREATE TABLE "tasks" (
	"kind" text NOT NULL,
	"subject" text NOT NULL,
	"asked_at" timestamp with time zone NOT NULL,
	"value" jsonb NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_try_at" timestamp with time zone,
	CONSTRAINT "tasks_kind_subject_pk" PRIMARY KEY("kind","subject")
);
--> statement-breakpoint
DROP INDEX "trees_code";--> statement-breakpoint
CREATE INDEX "tasks_asked" ON "tasks" USING btree ("kind","asked_at");--> statement-breakpoint
CREATE UNIQUE INDEX "trees_code" ON "trees" USING btree ("orchard_id",lower("code")) WHERE "trees"."value" -> 'deleted' is null;--> statement-breakpoint
INSERT INTO "tasks" ("kind", "subject", "asked_at", "value") SELECT 'sample', "id"::text, "taken_at", '{}' FROM "samples" WHERE NOT "answered";--> statement-breakpoint
ALTER TABLE "samples" DROP COLUMN "taken_at";--> statement-breakpoint
ALTER TABLE "samples" DROP COLUMN "answered";