-- A person's verdict in the place of the computed one, as JSON.
ALTER TABLE reading ADD COLUMN overruled text;

CREATE TABLE plant_event (
    id uuid PRIMARY KEY,
    node_id uuid NOT NULL REFERENCES node,
    at timestamptz NOT NULL,
    kind text NOT NULL CHECK (kind IN ('REPAIR', 'SENSOR', 'BASELINE', 'NOTE')),
    words text NOT NULL,
    starts_baseline boolean NOT NULL,
    baseline_until timestamptz,
    noted_by text NOT NULL,
    noted_at timestamptz NOT NULL,
    removed boolean NOT NULL DEFAULT false
);
CREATE INDEX plant_event_node ON plant_event (node_id) WHERE NOT removed;

-- Whether the reading counts, kept beside its values so that a million of them can be followed without looking at each reading.
ALTER TABLE result ADD COLUMN counts boolean NOT NULL DEFAULT true;
UPDATE result SET counts = false FROM reading r WHERE r.id = result.reading_id AND (r.replaced OR r.discarded_because IS NOT NULL);
DROP INDEX result_trend;
CREATE INDEX result_trend ON result (check_id, result_id, taken_at) INCLUDE (value) WHERE counts;
CREATE FUNCTION carry_counting() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    UPDATE result SET counts = NOT NEW.replaced AND NEW.discarded_because IS NULL WHERE reading_id = NEW.id;
    RETURN NULL;
END $$;
CREATE TRIGGER reading_counts AFTER UPDATE OF replaced, discarded_because ON reading FOR EACH ROW
    WHEN ((OLD.replaced, OLD.discarded_because) IS DISTINCT FROM (NEW.replaced, NEW.discarded_because)) EXECUTE FUNCTION carry_counting();
