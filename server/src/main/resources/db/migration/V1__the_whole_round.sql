-- People
CREATE TABLE account (
    id uuid PRIMARY KEY,
    name text NOT NULL UNIQUE,
    display_name text NOT NULL,
    role text NOT NULL CHECK (role IN ('VIEWER', 'TECHNICIAN', 'REVIEWER', 'ADMINISTRATOR')),
    password_hash text NOT NULL,
    active boolean NOT NULL,
    version integer NOT NULL
);
CREATE TABLE sign_in_throttle (
    key text PRIMARY KEY,
    failures integer NOT NULL,
    last_failure_at timestamptz NOT NULL
);
CREATE TABLE audit_entry (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    action text NOT NULL,
    subject_type text NOT NULL,
    subject_id text NOT NULL,
    before text,
    after text
);
CREATE INDEX audit_entry_subject ON audit_entry (subject_type, subject_id, at);

-- The audit trail only ever grows.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    RAISE EXCEPTION 'rows of % are never changed or removed', TG_TABLE_NAME;
END $$;
CREATE TRIGGER audit_entry_fixed BEFORE UPDATE OR DELETE ON audit_entry FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- Plant
CREATE TABLE node (
    id uuid PRIMARY KEY,
    parent_id uuid REFERENCES node,
    level text NOT NULL,
    tag text NOT NULL,
    name text NOT NULL,
    nameplate text NOT NULL,
    technique text NOT NULL,
    place bigint NOT NULL,
    removal uuid,
    version integer NOT NULL
);
CREATE INDEX node_parent ON node (parent_id, place);
CREATE TABLE node_setting (
    node_id uuid NOT NULL REFERENCES node,
    technique text NOT NULL,
    key text NOT NULL,
    value text NOT NULL,
    PRIMARY KEY (node_id, technique, key)
);
CREATE TABLE plant_change (
    id uuid PRIMARY KEY,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    sentence text NOT NULL,
    inverse text NOT NULL,
    undone_at timestamptz
);
CREATE TABLE limit_rule (
    check_id uuid NOT NULL REFERENCES node,
    result_id text NOT NULL,
    unit text NOT NULL,
    watch double precision,
    fail double precision,
    version integer NOT NULL,
    PRIMARY KEY (check_id, result_id)
);

-- Instruments, routes, jobs
CREATE TABLE instrument (
    id uuid PRIMARY KEY,
    maker text NOT NULL,
    model text NOT NULL,
    serial text NOT NULL UNIQUE,
    firmware text NOT NULL,
    options text NOT NULL,
    host text NOT NULL,
    port integer NOT NULL,
    pass_code text NOT NULL,
    calibrated_on date,
    calibrated_until date,
    last_seen_at timestamptz NOT NULL,
    version integer NOT NULL
);
CREATE TABLE instrument_claim (
    instrument_id uuid PRIMARY KEY REFERENCES instrument,
    holder uuid NOT NULL,
    purpose text NOT NULL,
    until timestamptz NOT NULL
);
CREATE TABLE route (
    id uuid PRIMARY KEY,
    name text NOT NULL,
    version integer NOT NULL
);
CREATE TABLE route_stop (
    route_id uuid NOT NULL REFERENCES route,
    place integer NOT NULL,
    check_id uuid NOT NULL REFERENCES node,
    PRIMARY KEY (route_id, place)
);
CREATE TABLE job (
    id uuid PRIMARY KEY,
    kind text NOT NULL,
    title text NOT NULL,
    state text NOT NULL CHECK (state IN ('RUNNING', 'DONE', 'FAILED', 'STOPPED')),
    done bigint NOT NULL,
    total bigint NOT NULL,
    sentence text NOT NULL,
    subject_id uuid,
    actor text NOT NULL,
    stop_requested boolean NOT NULL,
    started_at timestamptz NOT NULL,
    heard_at timestamptz NOT NULL
);
CREATE INDEX job_running ON job (heard_at) WHERE state = 'RUNNING';

-- What came back
CREATE TABLE original (
    id uuid PRIMARY KEY,
    instrument_id uuid NOT NULL REFERENCES instrument,
    file_name text NOT NULL,
    sha256 text NOT NULL,
    size bigint NOT NULL,
    bytes bytea NOT NULL,
    read_back_at timestamptz NOT NULL,
    read_back_by text NOT NULL,
    UNIQUE (instrument_id, sha256)
);
CREATE TRIGGER original_fixed BEFORE UPDATE OR DELETE ON original FOR EACH ROW EXECUTE FUNCTION refuse_change();
-- Written together with the readings made from it.
CREATE TABLE original_intake (
    original_id uuid PRIMARY KEY REFERENCES original,
    at timestamptz NOT NULL,
    new_readings integer NOT NULL,
    known_readings integer NOT NULL
);
CREATE TABLE transfer_piece (
    instrument_id uuid NOT NULL REFERENCES instrument,
    sha256 text NOT NULL,
    first_byte bigint NOT NULL,
    bytes bytea NOT NULL,
    PRIMARY KEY (instrument_id, sha256, first_byte)
);
CREATE TABLE visit (
    id uuid PRIMARY KEY,
    walk_id uuid UNIQUE,
    route_id uuid REFERENCES route,
    title text NOT NULL,
    began_at timestamptz NOT NULL,
    instrument_id uuid NOT NULL REFERENCES instrument,
    technician text NOT NULL,
    clock_ahead_seconds bigint NOT NULL,
    calibrated_on date,
    calibrated_until date
);
CREATE TABLE visit_stop (
    visit_id uuid NOT NULL REFERENCES visit,
    place integer NOT NULL,
    check_id uuid NOT NULL,
    progress text NOT NULL,
    note text NOT NULL,
    PRIMARY KEY (visit_id, place)
);
CREATE TABLE reading (
    id uuid PRIMARY KEY,
    check_id uuid REFERENCES node,
    visit_id uuid NOT NULL REFERENCES visit,
    original_id uuid NOT NULL REFERENCES original,
    instrument_serial text NOT NULL,
    own_id text NOT NULL,
    capture_sha256 text NOT NULL,
    technique text NOT NULL,
    taken_at timestamptz NOT NULL,
    instrument_time timestamptz NOT NULL,
    label text NOT NULL,
    note text NOT NULL,
    settings text NOT NULL,
    obstacle text NOT NULL,
    replaced boolean NOT NULL,
    discarded_because text,
    version integer NOT NULL,
    UNIQUE (instrument_serial, own_id, capture_sha256)
);
CREATE INDEX reading_visit ON reading (visit_id, taken_at);
CREATE INDEX reading_check ON reading (check_id, taken_at);
CREATE TABLE capture (
    reading_id uuid PRIMARY KEY REFERENCES reading,
    unit text NOT NULL,
    rate_hz double precision NOT NULL,
    scale double precision NOT NULL,
    sensitivity double precision,
    full_scale double precision,
    samples bytea NOT NULL
);

-- Results by year: a decade stays as fast as the first month.
CREATE TABLE result (
    reading_id uuid NOT NULL,
    result_id text NOT NULL,
    taken_at timestamptz NOT NULL,
    check_id uuid,
    -- the order the technique names its results in; the leading one is 0
    place smallint NOT NULL,
    value double precision NOT NULL,
    unit text NOT NULL,
    PRIMARY KEY (reading_id, result_id, taken_at)
) PARTITION BY RANGE (taken_at);
CREATE INDEX result_trend ON result (check_id, result_id, taken_at);
DO $$
BEGIN
    FOR year IN 2020..2045 LOOP
        EXECUTE format('CREATE TABLE result_%s PARTITION OF result FOR VALUES FROM (%L) TO (%L)',
            year, year || '-01-01T00:00:00Z', (year + 1) || '-01-01T00:00:00Z');
    END LOOP;
END $$;
CREATE TABLE result_other PARTITION OF result DEFAULT;

-- Certificates
CREATE TABLE certificate (
    id uuid PRIMARY KEY,
    visit_id uuid NOT NULL REFERENCES visit,
    state text NOT NULL CHECK (state IN ('PREPARED', 'ISSUED', 'WITHDRAWN')),
    number text UNIQUE,
    client text NOT NULL,
    title text NOT NULL,
    check_ids text NOT NULL,
    prepared_by text NOT NULL,
    prepared_at timestamptz NOT NULL,
    signed_by text,
    issued_at timestamptz,
    content text,
    pdf bytea,
    pdf_sha256 text,
    withdrawn_because text,
    version integer NOT NULL
);
CREATE TABLE certificate_number (
    year integer PRIMARY KEY,
    last integer NOT NULL
);
-- What is signed stays as it was signed; it can only be withdrawn.
CREATE FUNCTION keep_issued() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF OLD.state = 'PREPARED' THEN
        RETURN CASE WHEN TG_OP = 'DELETE' THEN OLD ELSE NEW END;
    END IF;
    IF TG_OP = 'UPDATE' AND OLD.state = 'ISSUED' AND NEW.state = 'WITHDRAWN'
        AND (to_jsonb(NEW) - 'state' - 'withdrawn_because' - 'version') = (to_jsonb(OLD) - 'state' - 'withdrawn_because' - 'version') THEN
        RETURN NEW;
    END IF;
    RAISE EXCEPTION 'an issued certificate is never changed';
END $$;
CREATE TRIGGER certificate_kept BEFORE UPDATE OR DELETE ON certificate FOR EACH ROW EXECUTE FUNCTION keep_issued();

-- Sessions, as Spring Session keeps them
CREATE TABLE spring_session (
    primary_id char(36) NOT NULL PRIMARY KEY,
    session_id char(36) NOT NULL UNIQUE,
    creation_time bigint NOT NULL,
    last_access_time bigint NOT NULL,
    max_inactive_interval int NOT NULL,
    expiry_time bigint NOT NULL,
    principal_name varchar(100)
);
CREATE INDEX spring_session_expiry ON spring_session (expiry_time);
CREATE INDEX spring_session_principal ON spring_session (principal_name);
CREATE TABLE spring_session_attributes (
    session_primary_id char(36) NOT NULL REFERENCES spring_session (primary_id) ON DELETE CASCADE,
    attribute_name varchar(200) NOT NULL,
    attribute_bytes bytea NOT NULL,
    PRIMARY KEY (session_primary_id, attribute_name)
);
