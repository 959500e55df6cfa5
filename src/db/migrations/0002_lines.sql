ALTER TABLE "jobs" ADD COLUMN "line" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "line_version" integer;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "line_revision" integer;--> statement-breakpoint
CREATE INDEX "jobs_last_touched" ON "jobs" USING btree ("updated_at" DESC NULLS LAST,"id");