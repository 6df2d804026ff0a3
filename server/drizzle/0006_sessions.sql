CREATE TABLE "sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"agent" text NOT NULL,
	"began_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone NOT NULL,
	"ends_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "key_hash" text;