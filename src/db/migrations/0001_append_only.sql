-- What was seen and done is appended, never changed: the database itself refuses anything else.
CREATE FUNCTION refuse_rewrite() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
CREATE TRIGGER entries_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON entries FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewrite();
--> statement-breakpoint
CREATE TRIGGER changes_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON changes FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewrite();
--> statement-breakpoint
CREATE TRIGGER facts_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON facts FOR EACH STATEMENT EXECUTE FUNCTION refuse_rewrite();
