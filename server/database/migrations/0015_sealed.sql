-- What was signed carries a digest of itself, so that a copy of the data can be told from a damaged one.
CREATE FUNCTION seal(s sign_off) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT encode(sha256(convert_to(jsonb_build_array(
    s.id, s.check_id, extract(epoch FROM s.at), s.by_name, s.reason, s.core_version, s.record
  )::text, 'UTF8')), 'hex')
$$;
ALTER TABLE sign_off ADD COLUMN digest text;
ALTER TABLE sign_off DISABLE TRIGGER append_only;
UPDATE sign_off s SET digest = seal(s);
ALTER TABLE sign_off ENABLE TRIGGER append_only;
ALTER TABLE sign_off ALTER COLUMN digest SET NOT NULL;
CREATE FUNCTION seal_sign_off() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.digest := seal(NEW);
  RETURN NEW;
END $$;
CREATE TRIGGER sealed BEFORE INSERT ON sign_off FOR EACH ROW EXECUTE FUNCTION seal_sign_off();
