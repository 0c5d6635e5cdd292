-- A job is found by what was ordered for it.
CREATE FUNCTION unread_of_purchase() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO job_unread SELECT DISTINCT c.job_id FROM new_rows n JOIN order_line l ON l.purchase_id = n.id JOIN checks c ON c.id = l.check_id
    ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE TRIGGER unread_new AFTER INSERT ON order_line REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_check();
CREATE TRIGGER unread_old AFTER UPDATE ON order_line REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_check();
CREATE TRIGGER unread_old AFTER UPDATE ON purchase REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION unread_of_purchase();
INSERT INTO job_unread SELECT DISTINCT c.job_id FROM order_line l JOIN checks c ON c.id = l.check_id ON CONFLICT DO NOTHING;
-- What is waited for, and what is on its way for the drawer, are few of all that was ever ordered.
CREATE INDEX order_line_waiting ON order_line (check_id) WHERE check_id IS NOT NULL AND dropped_at IS NULL AND settled_at IS NULL;
CREATE INDEX order_line_drawer ON order_line (lot_id) WHERE check_id IS NULL AND dropped_at IS NULL AND cancelled IS NULL;
CREATE INDEX purchase_newest ON purchase (created_at DESC, id);
