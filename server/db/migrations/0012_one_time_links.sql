ALTER TABLE "households" DROP CONSTRAINT "households_join_token_unique";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "join_token";