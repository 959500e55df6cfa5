CREATE TABLE "sheets" (
	"id" uuid PRIMARY KEY NOT NULL,
	"secret_hash" text NOT NULL,
	"job_id" uuid NOT NULL,
	"title" text NOT NULL,
	"page" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "sheets_secret_hash_unique" UNIQUE("secret_hash")
);
--> statement-breakpoint
CREATE INDEX "sheets_of_a_job" ON "sheets" USING btree ("job_id");