-- Two markers may say the same at the same time.
ALTER TABLE live_mark ADD COLUMN id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY;
CREATE INDEX live_mark_recording ON live_mark (recording_id);

-- A visit that everything was moved out of is on no list any more; that is noted when it happens.
ALTER TABLE visit ADD COLUMN empty boolean NOT NULL DEFAULT false;
UPDATE visit v SET empty = true WHERE NOT EXISTS (SELECT 1 FROM reading r WHERE r.visit_id = v.id AND NOT r.replaced)
    AND NOT EXISTS (SELECT 1 FROM visit_stop s WHERE s.visit_id = v.id);
CREATE INDEX visit_newest ON visit (began_at DESC, id) WHERE NOT empty;

-- Whoever keeps the plant in memory hears that sensors changed without looking at them.
CREATE TABLE plant_news (
    what text PRIMARY KEY,
    changed_by xid8 NOT NULL
);
INSERT INTO plant_news VALUES ('sensors', pg_current_xact_id());
CREATE FUNCTION tell_of_sensors() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    UPDATE plant_news SET changed_by = pg_current_xact_id() WHERE what = 'sensors';
    RETURN NULL;
END $$;
CREATE TRIGGER sensors_told AFTER INSERT OR UPDATE ON sensor FOR EACH STATEMENT EXECUTE FUNCTION tell_of_sensors();
DROP TRIGGER sensor_changed ON sensor;
ALTER TABLE sensor DROP COLUMN changed_by;
