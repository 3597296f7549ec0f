-- What people write down of instruments, the certificates of their calibration, and firmware for them.
ALTER TABLE instrument ADD COLUMN written_calibrated_on date;
ALTER TABLE instrument ADD COLUMN calibration_months integer CHECK (calibration_months BETWEEN 1 AND 240);

CREATE TABLE calibration_paper (
    id uuid PRIMARY KEY,
    instrument_id uuid REFERENCES instrument,
    sensor_id uuid REFERENCES sensor,
    file_name text NOT NULL,
    media_type text NOT NULL,
    sha256 text NOT NULL,
    bytes bytea NOT NULL,
    kept_at timestamptz NOT NULL,
    kept_by text NOT NULL,
    CHECK ((instrument_id IS NULL) <> (sensor_id IS NULL))
);
CREATE INDEX calibration_paper_instrument ON calibration_paper (instrument_id);
CREATE INDEX calibration_paper_sensor ON calibration_paper (sensor_id);
CREATE TRIGGER calibration_paper_fixed BEFORE UPDATE OR DELETE ON calibration_paper FOR EACH ROW EXECUTE FUNCTION refuse_change();

CREATE TABLE house_rule (
    key text PRIMARY KEY,
    value text NOT NULL
);

CREATE TABLE firmware (
    id uuid PRIMARY KEY,
    model text NOT NULL,
    version text NOT NULL,
    seconds integer NOT NULL,
    sha256 text NOT NULL UNIQUE,
    bytes bytea NOT NULL,
    kept_at timestamptz NOT NULL,
    kept_by text NOT NULL
);
