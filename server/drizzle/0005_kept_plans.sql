CREATE TABLE "plans" (
	"orchard_id" uuid DEFAULT this_orchard() NOT NULL,
	"tree_id" text PRIMARY KEY NOT NULL,
	"seq" bigserial NOT NULL,
	"stamp" text NOT NULL,
	"code" text NOT NULL,
	"value" jsonb NOT NULL
);
