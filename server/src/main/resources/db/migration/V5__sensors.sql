-- Sensors as things with a name: checks name them, and are measured with the sensitivity they have now.
CREATE TABLE sensor (
    id uuid PRIMARY KEY,
    tag text NOT NULL UNIQUE,
    technique text NOT NULL,
    serial text NOT NULL,
    sensitivity double precision NOT NULL CHECK (sensitivity > 0),
    unit text NOT NULL,
    range_low double precision,
    range_high double precision,
    range_unit text NOT NULL,
    calibrated_on date,
    calibration_months integer,
    -- the one instrument it goes with; null where it goes with any
    instrument_id uuid REFERENCES instrument,
    retired boolean NOT NULL,
    version integer NOT NULL,
    changed_by xid8 NOT NULL DEFAULT pg_current_xact_id()
);
CREATE TRIGGER sensor_changed BEFORE INSERT OR UPDATE ON sensor FOR EACH ROW EXECUTE FUNCTION mark_changed();
