ALTER TABLE "facts" ALTER COLUMN "fields" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "facts" DROP COLUMN "value_mm";--> statement-breakpoint
ALTER TABLE "facts" DROP COLUMN "typed";--> statement-breakpoint
ALTER TABLE "facts" DROP COLUMN "asked_mm";--> statement-breakpoint
ALTER TABLE "facts" DROP COLUMN "how";--> statement-breakpoint
ALTER TABLE "facts" DROP COLUMN "told";