ALTER TABLE "trees" DROP COLUMN "walking_order";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "nickname";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "species";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "cultivar";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "rootstock";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "planted_year";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "form";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "height_cm";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "spread_cm";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "susceptible";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "note";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "hazards";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "latitude";--> statement-breakpoint
ALTER TABLE "trees" DROP COLUMN "longitude";