CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tree_id" text NOT NULL,
	"value" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"by" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "samples" (
	"id" uuid PRIMARY KEY NOT NULL,
	"finding_id" uuid NOT NULL,
	"label" text NOT NULL,
	"truth" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"answered" boolean NOT NULL
);
--> statement-breakpoint
DROP INDEX "trees_walk";--> statement-breakpoint
ALTER TABLE "actions" ADD COLUMN "kind" text;--> statement-breakpoint
UPDATE "actions" SET "kind" = "value"->>'kind';--> statement-breakpoint
ALTER TABLE "actions" ALTER COLUMN "kind" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "value" jsonb;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "revision" integer;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "by" text;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "received_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "limbs_revision" integer;--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "surveyed_at" timestamp with time zone;--> statement-breakpoint
UPDATE "trees" SET "revision" = 1, "by" = 'Mortisect', "received_at" = now(), "limbs_revision" = 1,
  -- every cut on record was made after the survey
  "surveyed_at" = '2000-01-01T00:00:00Z',
  "value" = jsonb_build_object(
    'nickname', "nickname",
    'species', CASE WHEN lower("species") = 'plum' THEN 'european-plum' ELSE replace(lower("species"), ' ', '-') END,
    'cultivar', "cultivar", 'rootstock', "rootstock", 'graftUnionCm', NULL, 'plantedYear', "planted_year",
    'form', CASE
      WHEN "form" LIKE 'fan%' THEN 'fan' WHEN "form" LIKE 'espalier%' THEN 'espalier' WHEN "form" LIKE 'cordon%' THEN 'cordon'
      WHEN "form" IN ('open centre', 'central leader', 'modified leader', 'multi-stem') THEN "form" ELSE 'wild' END,
    'purposes', jsonb_build_array('picked fruit'), 'pickedBy', '', 'reachCm', NULL, 'habit', 'unknown', 'tasted', false,
    'heightCm', "height_cm", 'targetHeightCm', NULL, 'spreadCm', "spread_cm", 'girthCm', NULL, 'vigour', 'unknown',
    'susceptible', "susceptible", 'hazards', "hazards", 'neighbours', '[]'::jsonb, 'fixtures', '[]'::jsonb,
    'drainage', 'unknown', 'frostPocket', false, 'status', 'keep', 'note', "note",
    'latitude', "latitude", 'longitude', "longitude");--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "value" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "revision" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "by" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "received_at" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "limbs_revision" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "trees" ALTER COLUMN "surveyed_at" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_tree_id_trees_id_fk" FOREIGN KEY ("tree_id") REFERENCES "public"."trees"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "samples" ADD CONSTRAINT "samples_finding_id_findings_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."findings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "jobs_tree" ON "jobs" USING btree ("tree_id");--> statement-breakpoint
CREATE INDEX "actions_kind" ON "actions" USING btree ("kind","at");--> statement-breakpoint
CREATE INDEX "trees_row" ON "trees" USING btree ("row_id");