CREATE TABLE "challenges" (
	"text" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sign_in_events" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"label" text NOT NULL,
	"device_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tries" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
ALTER TABLE "households" DROP CONSTRAINT "households_calendar_token_unique";--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "confirmed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "households" ADD COLUMN "calendar_digest" text;--> statement-breakpoint
ALTER TABLE "households" ADD COLUMN "calendar_until" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "passkeys" ADD COLUMN "label" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "passkeys" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "sign_in_events" ADD CONSTRAINT "sign_in_events_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_in_events" ADD CONSTRAINT "sign_in_events_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sign_in_events_member" ON "sign_in_events" USING btree ("member_id","created_at" DESC NULLS LAST);--> statement-breakpoint
UPDATE "households" SET "calendar_digest" = encode(sha256(convert_to("calendar_token", 'UTF8')), 'hex'), "calendar_until" = now() + interval '400 days' WHERE "calendar_token" IS NOT NULL;--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "calendar_token";--> statement-breakpoint
ALTER TABLE "households" ADD CONSTRAINT "households_calendar_digest_unique" UNIQUE("calendar_digest");;--> statement-breakpoint
-- It is asked before it is known who comes: no household sees anything of it.
ALTER TABLE "challenges" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "challenges" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY nobody_yet ON "challenges" USING (current_setting('bivvet.household', true) = '*');--> statement-breakpoint
ALTER TABLE "tries" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tries" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY nobody_yet ON "tries" USING (current_setting('bivvet.household', true) = '*');--> statement-breakpoint
ALTER TABLE "sign_in_events" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "sign_in_events" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_household ON "sign_in_events" USING (bivvet_sees(household_id));--> statement-breakpoint
DO $$
BEGIN
  IF EXISTS (SELECT FROM pg_roles WHERE rolname = 'bivvet_app') AND (SELECT rolsuper OR rolbypassrls FROM pg_roles WHERE rolname = current_user) THEN
    GRANT SELECT, INSERT, UPDATE, DELETE ON "challenges", "tries", "sign_in_events" TO bivvet_app;
  END IF;
END $$;
