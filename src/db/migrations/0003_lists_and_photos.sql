CREATE TABLE "photos" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"corner" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"picture" "bytea" NOT NULL,
	"small" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
DROP INDEX "jobs_last_touched";--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "title" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "machine_key" uuid;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "settings_count" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "locked" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "due" date;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photos_of_a_job" ON "photos" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "jobs_of_the_day" ON "jobs" USING btree ("locked","due","updated_at" DESC NULLS FIRST,"id");--> statement-breakpoint
CREATE INDEX "jobs_of_a_machine" ON "jobs" USING btree ("machine_key");--> statement-breakpoint
UPDATE "jobs" SET
  "name" = "document"->>'name',
  "title" = "document"->'machine'->>'title',
  "machine_key" = coalesce(("document"->'machine'->>'id')::uuid, "id");
