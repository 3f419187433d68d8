CREATE TABLE "run_photos" (
	"run_id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"member_id" uuid,
	"jpeg" "bytea" NOT NULL,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "run_photos" ADD CONSTRAINT "run_photos_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_photos" ADD CONSTRAINT "run_photos_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_photos" ADD CONSTRAINT "run_photos_household_id_run_id_runs_household_id_id_fk" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."runs"("household_id","id") ON DELETE cascade ON UPDATE no action;