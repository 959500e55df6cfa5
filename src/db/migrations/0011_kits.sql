CREATE TABLE "kits" (
	"id" uuid PRIMARY KEY NOT NULL,
	"version" integer NOT NULL,
	"name" text NOT NULL,
	"kit" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "kits_count" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX "kits_by_name" ON "kits" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "jobs_with_kits" ON "jobs" USING btree ("updated_at","id") WHERE "jobs"."kits_count" > 0;