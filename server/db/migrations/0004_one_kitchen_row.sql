DROP TABLE "bags" CASCADE;--> statement-breakpoint
DROP TABLE "burners" CASCADE;--> statement-breakpoint
DROP TABLE "cookers" CASCADE;--> statement-breakpoint
DROP TABLE "foods" CASCADE;--> statement-breakpoint
DROP TABLE "measures" CASCADE;--> statement-breakpoint
DROP TABLE "tins" CASCADE;--> statement-breakpoint
ALTER TABLE "verdicts" DROP CONSTRAINT "verdicts_run_food";--> statement-breakpoint
ALTER TABLE "plans" DROP CONSTRAINT IF EXISTS "plans_cooker_id_cookers_id_fk";
--> statement-breakpoint
DROP INDEX "runs_household_created";--> statement-breakpoint
ALTER TABLE "households" ALTER COLUMN "kitchen" SET NOT NULL;--> statement-breakpoint
CREATE INDEX "runs_household_created" ON "runs" USING btree ("household_id","created_at" DESC NULLS LAST,"id");--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "name";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "altitude_m";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "room_c";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "tap_c";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "hard_water";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "version";--> statement-breakpoint
ALTER TABLE "verdicts" ADD CONSTRAINT "verdicts_run_content" UNIQUE("run_id","content");