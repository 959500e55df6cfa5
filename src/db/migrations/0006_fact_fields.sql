-- Every kind of fact gets fields of its own, in the units of their names; what stood under the name of mm is moved there.
-- Rows are append-only: a column is filled by its type, not by an update.
ALTER TABLE "facts" ADD COLUMN "fields" jsonb;--> statement-breakpoint
ALTER TABLE "facts" ALTER COLUMN "fields" TYPE jsonb USING (
  jsonb_strip_nulls(jsonb_build_object(
    CASE "kind"
      WHEN 'pad' THEN 'kg' WHEN 'fuel' THEN 'litres' WHEN 'camber' THEN 'degrees' WHEN 'pressure' THEN 'bar'
      WHEN 'clicks' THEN 'clicks' WHEN 'skid' THEN 'position' WHEN 'recheck' THEN 'km' WHEN 'driven' THEN 'km'
      ELSE 'mm' END, "value_mm",
    'askedMm', "asked_mm",
    CASE "kind"
      WHEN 'settled' THEN 'how' WHEN 'prep' THEN 'how' WHEN 'check' THEN 'how' WHEN 'note' THEN 'words'
      WHEN 'recheck' THEN 'day' WHEN 'cycled' THEN 'nearest' ELSE 'remark' END, "how",
    'typed', "typed"))
  || CASE WHEN "told" IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('told', "told") END
);
