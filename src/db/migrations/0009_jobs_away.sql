DROP INDEX "jobs_of_the_day";--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "away" text;--> statement-breakpoint
CREATE INDEX "jobs_of_the_day" ON "jobs" USING btree ("locked","due","updated_at" DESC NULLS FIRST,"id") WHERE "jobs"."away" is null;