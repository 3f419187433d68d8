CREATE TABLE "forgotten" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"member_id" uuid,
	"figure" text NOT NULL,
	"forgotten_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "forgotten_household_figure" UNIQUE("household_id","figure")
);
--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "burner_id" uuid;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "bag_ids" jsonb;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "teaches" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "fit" jsonb;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "remarks" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "forgotten" ADD CONSTRAINT "forgotten_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "forgotten" ADD CONSTRAINT "forgotten_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;