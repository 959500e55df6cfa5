CREATE TABLE "changes" (
	"job_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"ops" jsonb NOT NULL,
	CONSTRAINT "changes_job_id_seq_pk" PRIMARY KEY("job_id","seq")
);
--> statement-breakpoint
CREATE TABLE "entries" (
	"job_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid NOT NULL,
	"type" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	"label" text NOT NULL,
	"undo_of" uuid,
	"redo_of" uuid,
	"of" uuid,
	CONSTRAINT "entries_job_id_seq_pk" PRIMARY KEY("job_id","seq")
);
--> statement-breakpoint
CREATE TABLE "facts" (
	"job_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"kind" text NOT NULL,
	"round" integer NOT NULL,
	"corner" text,
	"slot" text NOT NULL,
	"value_mm" double precision,
	"asked_mm" double precision,
	"how" text,
	"told" jsonb,
	"replaces" uuid,
	CONSTRAINT "facts_job_id_seq_pk" PRIMARY KEY("job_id","seq")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_job_id_seq_entries_job_id_seq_fk" FOREIGN KEY ("job_id","seq") REFERENCES "public"."entries"("job_id","seq") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "facts" ADD CONSTRAINT "facts_job_id_seq_entries_job_id_seq_fk" FOREIGN KEY ("job_id","seq") REFERENCES "public"."entries"("job_id","seq") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "entries_id" ON "entries" USING btree ("job_id","id");