CREATE TABLE "documents" (
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"member_id" uuid,
	"name" text NOT NULL,
	"favourite" boolean DEFAULT false NOT NULL,
	"content" jsonb NOT NULL,
	"begun" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "documents_household_id_kind_id_pk" PRIMARY KEY("household_id","kind","id")
);
--> statement-breakpoint
INSERT INTO "documents" ("household_id", "kind", "id", "name", "content", "version", "updated_at")
  SELECT "id", 'kitchen', "id", coalesce("kitchen" ->> 'name', ''), "kitchen", "kitchen_version", now() FROM "households";--> statement-breakpoint
INSERT INTO "documents" ("household_id", "kind", "id", "member_id", "name", "favourite", "content", "version", "updated_at", "deleted_at")
  SELECT "household_id", 'pot', "id", "member_id", "name", "favourite", "pot", "version", "updated_at", "deleted_at" FROM "pots";--> statement-breakpoint
INSERT INTO "documents" ("household_id", "kind", "id", "member_id", "name", "favourite", "content", "version", "updated_at", "deleted_at")
  SELECT "household_id", 'portion', "id", "member_id", "name", "favourite", "portion", "version", "updated_at", "deleted_at" FROM "portions";--> statement-breakpoint
INSERT INTO "documents" ("household_id", "kind", "id", "member_id", "name", "favourite", "content", "version", "updated_at", "deleted_at")
  SELECT "household_id", 'meal', "id", "member_id", "name", "favourite", "meal", "version", "updated_at", "deleted_at" FROM "meals";--> statement-breakpoint
INSERT INTO "documents" ("household_id", "kind", "id", "member_id", "name", "favourite", "content", "version", "updated_at", "deleted_at", "begun")
  SELECT "household_id", 'dish', "id", "member_id", "name", "favourite", "dish", "version", "updated_at", "deleted_at", "begun" FROM "dishes";--> statement-breakpoint
DROP TABLE "dishes" CASCADE;--> statement-breakpoint
DROP TABLE "meals" CASCADE;--> statement-breakpoint
DROP TABLE "portions" CASCADE;--> statement-breakpoint
DROP TABLE "pots" CASCADE;--> statement-breakpoint
ALTER TABLE "documents" ADD CONSTRAINT "documents_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "documents" ADD CONSTRAINT "documents_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "documents_list" ON "documents" USING btree ("household_id","kind","updated_at" DESC NULLS LAST);--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "kitchen";--> statement-breakpoint
ALTER TABLE "households" DROP COLUMN "kitchen_version";--> statement-breakpoint
ALTER TABLE "documents" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "documents" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_household ON "documents" USING (bivvet_sees(household_id));--> statement-breakpoint
DO $$
BEGIN
  IF EXISTS (SELECT FROM pg_roles WHERE rolname = 'bivvet_app') AND (SELECT rolsuper OR rolbypassrls FROM pg_roles WHERE rolname = current_user) THEN
    GRANT SELECT, INSERT, UPDATE, DELETE ON "documents" TO bivvet_app;
  END IF;
END $$;
