CREATE TABLE "document_versions" (
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"document_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"name" text NOT NULL,
	"content" jsonb NOT NULL,
	"saved_at" timestamp with time zone NOT NULL,
	CONSTRAINT "document_versions_household_id_kind_document_id_version_pk" PRIMARY KEY("household_id","kind","document_id","version")
);
--> statement-breakpoint
ALTER TABLE "document_versions" ADD CONSTRAINT "document_versions_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "document_versions" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "document_versions" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_household ON "document_versions" USING (bivvet_sees(household_id));
--> statement-breakpoint
DO $$
BEGIN
  IF EXISTS (SELECT FROM pg_roles WHERE rolname = 'bivvet_app') AND (SELECT rolsuper OR rolbypassrls FROM pg_roles WHERE rolname = current_user) THEN
    GRANT SELECT, INSERT, UPDATE, DELETE ON "document_versions" TO bivvet_app;
  END IF;
END $$;
