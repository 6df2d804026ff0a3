CREATE TABLE "stations" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"heard_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "weather_before" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"hour" integer NOT NULL,
	"value" jsonb NOT NULL,
	"replaced_at" timestamp with time zone NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "weather_hours" (
	"kind" text NOT NULL,
	"hour" integer NOT NULL,
	"temperature_c" double precision,
	"humidity_pct" double precision,
	"rain_mm" double precision,
	"wind_ms" double precision,
	"wet_minutes" double precision,
	"source" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	CONSTRAINT "weather_hours_kind_hour_pk" PRIMARY KEY("kind","hour")
);
