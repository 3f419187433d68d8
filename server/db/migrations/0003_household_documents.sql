CREATE TABLE "members" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "households" ADD COLUMN "kitchen" jsonb;--> statement-breakpoint
ALTER TABLE "households" ADD COLUMN "kitchen_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "member_id" uuid;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "cooker_name" text;--> statement-breakpoint
ALTER TABLE "pots" ADD COLUMN "member_id" uuid;--> statement-breakpoint
ALTER TABLE "run_events" ADD COLUMN "member_id" uuid;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "member_id" uuid;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "is_on" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "verdicts" ADD COLUMN "member_id" uuid;--> statement-breakpoint
ALTER TABLE "verdicts" ADD COLUMN "content" smallint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "members" ADD CONSTRAINT "members_household_id_households_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."households"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "members_household" ON "members" USING btree ("household_id");--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pots" ADD CONSTRAINT "pots_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_events" ADD CONSTRAINT "run_events_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verdicts" ADD CONSTRAINT "verdicts_member_id_members_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."members"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "runs_household_on" ON "runs" USING btree ("household_id") WHERE is_on;--> statement-breakpoint
-- The kitchen becomes one document, in the shape in which it was sent until now.
UPDATE "households" SET "kitchen_version" = "version", "kitchen" = jsonb_build_object(
	'name', "name", 'altitudeM', "altitude_m", 'roomC', "room_c", 'tapC', "tap_c", 'hardWater', "hard_water",
	'cookers', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'cooker', cooker, 'tests', tests) ORDER BY position) FROM cookers WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb),
	'burners', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'burner', burner) ORDER BY position) FROM burners WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb),
	'measures', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'volumeMl', volume_ml) ORDER BY position) FROM measures WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb),
	'tins', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'diameterMm', diameter_mm, 'heightMm', height_mm, 'volumeMl', volume_ml, 'lid', lid, 'material', material) ORDER BY position) FROM tins WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb),
	'foods', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'basedOn', based_on, 'figures', figures) ORDER BY position) FROM foods WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb),
	'bags', coalesce((SELECT jsonb_agg(jsonb_build_object('id', id, 'name', name, 'foodId', food_id, 'boughtOn', to_char(bought_on, 'YYYY-MM-DD')) ORDER BY position) FROM bags WHERE household_id = households.id AND deleted_at IS NULL), '[]'::jsonb)
);--> statement-breakpoint
INSERT INTO "members" ("household_id", "name") SELECT "id", 'Cook' FROM "households";--> statement-breakpoint
UPDATE "plans" SET "cooker_name" = "cookers"."name" FROM "cookers" WHERE "cookers"."id" = "plans"."cooker_id";--> statement-breakpoint
-- Over is what was given up, and what was opened last with nothing more to go in.
UPDATE "runs" SET "is_on" = false WHERE EXISTS (
	SELECT 1 FROM "run_events" e WHERE e."run_id" = "runs"."id" AND e."kind" = 'abandoned'
) OR (
	(SELECT e."kind" FROM "run_events" e WHERE e."run_id" = "runs"."id" ORDER BY e."sequence" DESC LIMIT 1) = 'opened'
	AND (SELECT count(*) FROM "run_events" e WHERE e."run_id" = "runs"."id" AND e."kind" = 'goes-on' AND (e."data"->>'joins')::boolean)
		>= (SELECT coalesce(jsonb_array_length(p."answer"->'later'), 0) FROM "plans" p WHERE p."id" = "runs"."plan_id")
);--> statement-breakpoint
-- A verdict is on a place in the pot: the same food may stand in two.
UPDATE "verdicts" SET "content" = coalesce((
	SELECT f.place - 1 FROM "runs" r JOIN "plans" p ON p."id" = r."plan_id",
		jsonb_array_elements(p."answer"->'foods') WITH ORDINALITY AS f(food, place)
	WHERE r."id" = "verdicts"."run_id" AND f.food->>'food' = "verdicts"."food_id" LIMIT 1
), 0);
