ALTER TABLE "households" ADD COLUMN "calendar_token" text;--> statement-breakpoint
ALTER TABLE "households" ADD CONSTRAINT "households_calendar_token_unique" UNIQUE("calendar_token");