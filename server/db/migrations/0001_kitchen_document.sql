ALTER TABLE "burners" DROP CONSTRAINT "burners_household_name";--> statement-breakpoint
ALTER TABLE "cookers" DROP CONSTRAINT "cookers_household_name";--> statement-breakpoint
ALTER TABLE "measures" DROP CONSTRAINT "measures_household_name";--> statement-breakpoint
ALTER TABLE "burners" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "cookers" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "households" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "measures" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "burners_household" ON "burners" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "cookers_household" ON "cookers" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "measures_household" ON "measures" USING btree ("household_id");