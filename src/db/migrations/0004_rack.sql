CREATE TABLE "rack_springs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"version" integer NOT NULL,
	"name" text NOT NULL,
	"rate_n_per_mm" double precision,
	"rows" jsonb,
	"free_length_mm" double precision,
	"solid_length_mm" double precision,
	"wire_mm" double precision,
	"coils" double precision,
	"inner_mm" double precision,
	"max_n" double precision,
	"tender" boolean NOT NULL,
	"stock" integer NOT NULL,
	"note" text NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE INDEX "rack_springs_by_name" ON "rack_springs" USING btree ("name","id");