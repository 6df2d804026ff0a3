-- Names are told apart without regard to capitals. Where two that differ in nothing else stand already, as two processes could write them, they stay, and so does the rule of before
DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM "trees" GROUP BY "orchard_id", lower("code") HAVING count(*) > 1) THEN
    DROP INDEX "trees_code";
    CREATE UNIQUE INDEX "trees_code" ON "trees" USING btree ("orchard_id", lower("code"));
  END IF;
END $$;
--> statement-breakpoint
DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM "plots" GROUP BY "orchard_id", lower("name") HAVING count(*) > 1) THEN
    CREATE UNIQUE INDEX "plots_name" ON "plots" USING btree ("orchard_id", lower("name"));
  END IF;
END $$;
--> statement-breakpoint
DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM "rows" GROUP BY "plot_id", lower("name") HAVING count(*) > 1) THEN
    CREATE UNIQUE INDEX "rows_name" ON "rows" USING btree ("plot_id", lower("name"));
  END IF;
END $$;
