CREATE TABLE "challenges" (
	"id" uuid PRIMARY KEY NOT NULL,
	"day" date,
	"seed" integer NOT NULL,
	"level" text NOT NULL,
	"machine_class" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "challenges_day_unique" UNIQUE("day")
);
--> statement-breakpoint
CREATE TABLE "lessons_done" (
	"who" text NOT NULL,
	"lesson" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "lessons_done_who_lesson_pk" PRIMARY KEY("who","lesson")
);
--> statement-breakpoint
CREATE TABLE "practice_tries" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"practice_id" uuid NOT NULL,
	"way" text NOT NULL,
	"readings" integer DEFAULT 0 NOT NULL,
	"result" jsonb,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"challenge_id" uuid,
	"seed" integer NOT NULL,
	"level" text NOT NULL,
	"machine_class" text NOT NULL,
	"document" jsonb NOT NULL,
	"truth" jsonb NOT NULL,
	"who" text DEFAULT '' NOT NULL,
	"opened" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "practice_tries" ADD CONSTRAINT "practice_tries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice_tries" ADD CONSTRAINT "practice_tries_practice_id_practices_id_fk" FOREIGN KEY ("practice_id") REFERENCES "public"."practices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practices" ADD CONSTRAINT "practices_challenge_id_challenges_id_fk" FOREIGN KEY ("challenge_id") REFERENCES "public"."challenges"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "tries_of_a_practice" ON "practice_tries" USING btree ("practice_id");--> statement-breakpoint
CREATE INDEX "practices_of_a_challenge" ON "practices" USING btree ("challenge_id");--> statement-breakpoint
CREATE INDEX "practices_newest" ON "practices" USING btree ("created_at");