CREATE TABLE "reading_pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"corner" text NOT NULL,
	"round" integer NOT NULL,
	"meta" jsonb NOT NULL,
	"picture" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "reading_pictures" ADD CONSTRAINT "reading_pictures_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reading_pictures_of_a_job" ON "reading_pictures" USING btree ("job_id");