CREATE TABLE "orchards" (
	"id" uuid PRIMARY KEY NOT NULL,
	"begun_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
INSERT INTO "orchards" VALUES (gen_random_uuid(), now());
--> statement-breakpoint
-- As long as there is one orchard only, whoever writes a record need not name it
CREATE FUNCTION "this_orchard"() RETURNS uuid LANGUAGE sql STABLE AS 'SELECT "id" FROM "orchards"';
--> statement-breakpoint
DROP INDEX "trees_code";
--> statement-breakpoint
ALTER TABLE "weather_hours" DROP CONSTRAINT "weather_hours_kind_hour_pk";
--> statement-breakpoint
ALTER TABLE "actions" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "findings" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "history" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "plots" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "rows" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "site" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "stations" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "trees" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "weather_before" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "weather_hours" ADD COLUMN "orchard_id" uuid DEFAULT this_orchard() NOT NULL;
--> statement-breakpoint
ALTER TABLE "weather_hours" ADD CONSTRAINT "weather_hours_kind_hour_orchard_id_pk" PRIMARY KEY("kind","hour","orchard_id");
--> statement-breakpoint
ALTER TABLE "actions" ADD CONSTRAINT "actions_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "history" ADD CONSTRAINT "history_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "plots" ADD CONSTRAINT "plots_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "rows" ADD CONSTRAINT "rows_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "site" ADD CONSTRAINT "site_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "stations" ADD CONSTRAINT "stations_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
ALTER TABLE "trees" ADD CONSTRAINT "trees_orchard_id_orchards_id_fk" FOREIGN KEY ("orchard_id") REFERENCES "public"."orchards"("id") ON DELETE no action ON UPDATE cascade;
--> statement-breakpoint
CREATE UNIQUE INDEX "trees_code" ON "trees" USING btree ("orchard_id","code");
