-- Air was counted as a seat, in tenths of a bar under the name of mm. Where a plan told a corner a pressure to stop at, what was
-- told and what was done at that corner in that round is put in bar. Nothing else of a row changes.
ALTER TABLE "facts" DISABLE TRIGGER "facts_append_only";--> statement-breakpoint
UPDATE "facts" AS done SET "kind" = 'inflated', "fields" = jsonb_strip_nulls(
    (done."fields" - 'mm' - 'askedMm') || jsonb_build_object(
      'bar', (done."fields"->>'mm')::float8 * 0.1, 'askedBar', (done."fields"->>'askedMm')::float8 * 0.1))
  FROM "facts" AS plan
  WHERE done."kind" = 'adjustment' AND plan."kind" = 'plan' AND plan."job_id" = done."job_id" AND plan."round" = done."round"
    AND plan."fields"->'told'->'corners'->done."corner" ? 'airToBar'
    AND NOT plan."fields"->'told'->'corners'->done."corner" ? 'airByBar';--> statement-breakpoint
UPDATE "facts" SET "fields" = jsonb_set("fields", '{told,corners}', (
    SELECT jsonb_object_agg(id, CASE WHEN told ? 'airToBar' AND NOT told ? 'airByBar'
      THEN told || jsonb_build_object('seatMm', 0, 'turns', 0, 'airByBar', (told->>'seatMm')::float8 * 0.1) ELSE told END)
    FROM jsonb_each("fields"->'told'->'corners') AS corner(id, told)))
  WHERE "kind" = 'plan' AND "fields"->'told'->'corners' <> '{}'::jsonb;--> statement-breakpoint
ALTER TABLE "facts" ENABLE TRIGGER "facts_append_only";
