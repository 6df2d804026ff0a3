CREATE TABLE "actions" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tree_id" text,
	"at" timestamp with time zone NOT NULL,
	"value" jsonb NOT NULL,
	"undone" boolean NOT NULL,
	"by" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "devices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "findings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tree_id" text NOT NULL,
	"state" text NOT NULL,
	"value" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"by" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "history" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"record_id" text NOT NULL,
	"revision" integer NOT NULL,
	"tree_id" text,
	"device_id" text NOT NULL,
	"by" text NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "keepsakes" (
	"name" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plots" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"position" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rows" (
	"id" text PRIMARY KEY NOT NULL,
	"plot_id" text NOT NULL,
	"name" text NOT NULL,
	"spacing_cm" double precision NOT NULL,
	"position" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "site" (
	"id" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"by" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "trees" (
	"id" text PRIMARY KEY NOT NULL,
	"row_id" text NOT NULL,
	"place" integer NOT NULL,
	"walking_order" integer NOT NULL,
	"code" text NOT NULL,
	"nickname" text,
	"species" text NOT NULL,
	"cultivar" text,
	"rootstock" text,
	"planted_year" integer,
	"form" text NOT NULL,
	"height_cm" double precision NOT NULL,
	"spread_cm" double precision NOT NULL,
	"susceptible" boolean NOT NULL,
	"note" text NOT NULL,
	"hazards" jsonb NOT NULL,
	"latitude" double precision,
	"longitude" double precision,
	"limbs" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "actions" ADD CONSTRAINT "actions_tree_id_trees_id_fk" FOREIGN KEY ("tree_id") REFERENCES "public"."trees"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_tree_id_trees_id_fk" FOREIGN KEY ("tree_id") REFERENCES "public"."trees"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rows" ADD CONSTRAINT "rows_plot_id_plots_id_fk" FOREIGN KEY ("plot_id") REFERENCES "public"."plots"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trees" ADD CONSTRAINT "trees_row_id_rows_id_fk" FOREIGN KEY ("row_id") REFERENCES "public"."rows"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "actions_tree" ON "actions" USING btree ("tree_id");--> statement-breakpoint
CREATE INDEX "actions_at" ON "actions" USING btree ("at");--> statement-breakpoint
CREATE INDEX "findings_tree" ON "findings" USING btree ("tree_id");--> statement-breakpoint
CREATE INDEX "findings_state" ON "findings" USING btree ("state");--> statement-breakpoint
CREATE INDEX "history_record" ON "history" USING btree ("record_id");--> statement-breakpoint
CREATE UNIQUE INDEX "trees_code" ON "trees" USING btree ("code");--> statement-breakpoint
CREATE INDEX "trees_walk" ON "trees" USING btree ("walking_order");