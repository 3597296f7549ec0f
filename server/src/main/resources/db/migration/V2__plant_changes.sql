-- A row of the plant is whole: its nameplate, settings and limits stand in the row itself, so that one change of any of them
-- is one new state of one row.
ALTER TABLE node
    ADD COLUMN asset_class text NOT NULL DEFAULT '',
    ADD COLUMN attributes jsonb NOT NULL DEFAULT '{}',
    ADD COLUMN settings jsonb NOT NULL DEFAULT '{}',
    ADD COLUMN limits jsonb NOT NULL DEFAULT '{}',
    ADD COLUMN stamp text NOT NULL DEFAULT '';

UPDATE node SET attributes = jsonb_build_object('note', nameplate) WHERE nameplate <> '';
UPDATE node SET settings = s.settings FROM (
    SELECT node_id, jsonb_object_agg(technique, own) AS settings FROM (
        SELECT node_id, technique, jsonb_object_agg(key, value) AS own FROM node_setting GROUP BY node_id, technique) t
    GROUP BY node_id) s WHERE s.node_id = node.id;
UPDATE node SET limits = l.limits FROM (
    SELECT r.check_id, jsonb_build_object(n.technique, jsonb_object_agg(
        r.result_id, coalesce(r.watch::text, '-') || '/' || coalesce(r.fail::text, '-') || ' ' || r.unit)) AS limits
    FROM limit_rule r JOIN node n ON n.id = r.check_id GROUP BY r.check_id, n.technique) l WHERE l.check_id = node.id;
-- Wide gaps: a row put in between changes no other.
UPDATE node SET place = place << 20;

DROP TABLE node_setting;
DROP TABLE limit_rule;
ALTER TABLE node DROP COLUMN nameplate, DROP COLUMN version;

-- Who reads again what changed asks by transaction: everything at or after the oldest one still open when last looked.
ALTER TABLE node ADD COLUMN changed_by xid8 NOT NULL DEFAULT pg_current_xact_id();
CREATE INDEX node_changed_by ON node (changed_by);
CREATE FUNCTION mark_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    NEW.changed_by := pg_current_xact_id();
    RETURN NEW;
END $$;
CREATE TRIGGER node_changed BEFORE INSERT OR UPDATE ON node FOR EACH ROW EXECUTE FUNCTION mark_changed();

-- Checks whose readings changed, for whoever keeps count of how the plant stands.
CREATE TABLE measured_check (
    check_id uuid PRIMARY KEY,
    changed_by xid8 NOT NULL
);
CREATE INDEX measured_check_changed_by ON measured_check (changed_by);
INSERT INTO measured_check SELECT DISTINCT check_id, pg_current_xact_id() FROM reading WHERE check_id IS NOT NULL;
CREATE FUNCTION note_new_readings() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    INSERT INTO measured_check SELECT DISTINCT check_id, pg_current_xact_id() FROM fresh WHERE check_id IS NOT NULL
    ORDER BY check_id ON CONFLICT (check_id) DO UPDATE SET changed_by = EXCLUDED.changed_by;
    RETURN NULL;
END $$;
CREATE FUNCTION note_changed_readings() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    INSERT INTO measured_check SELECT DISTINCT check_id, pg_current_xact_id()
    FROM (SELECT check_id FROM fresh UNION SELECT check_id FROM former) f WHERE check_id IS NOT NULL
    ORDER BY check_id ON CONFLICT (check_id) DO UPDATE SET changed_by = EXCLUDED.changed_by;
    RETURN NULL;
END $$;
CREATE TRIGGER reading_added AFTER INSERT ON reading
    REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION note_new_readings();
CREATE TRIGGER reading_changed AFTER UPDATE ON reading
    REFERENCING NEW TABLE AS fresh OLD TABLE AS former FOR EACH STATEMENT EXECUTE FUNCTION note_changed_readings();

-- Changes of the plant, each to be taken back and done again. Those made before changes were kept whole stay in the list.
ALTER TABLE plant_change DROP COLUMN inverse;
ALTER TABLE plant_change ADD COLUMN change text;
CREATE TABLE plant_change_node (
    change_id uuid NOT NULL REFERENCES plant_change,
    node_id uuid NOT NULL,
    PRIMARY KEY (node_id, change_id)
);
CREATE INDEX plant_change_at ON plant_change (at DESC);
CREATE FUNCTION keep_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'UPDATE' AND (to_jsonb(NEW) - 'undone_at') = (to_jsonb(OLD) - 'undone_at') THEN
        RETURN NEW;
    END IF;
    RAISE EXCEPTION 'a change of the plant is only ever taken back, not altered';
END $$;
CREATE TRIGGER plant_change_kept BEFORE UPDATE OR DELETE ON plant_change FOR EACH ROW EXECUTE FUNCTION keep_change();
