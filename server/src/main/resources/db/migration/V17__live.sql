-- What is recorded live is written row by row: a power cut loses what was not yet measured, and nothing else.
CREATE TABLE live_recording (
    id uuid PRIMARY KEY,
    kind text NOT NULL,
    target_id uuid NOT NULL,
    name text NOT NULL,
    model text NOT NULL,
    serial text NOT NULL,
    channels text NOT NULL,
    interval_millis integer NOT NULL,
    check_id uuid REFERENCES node,
    began_at timestamptz NOT NULL,
    began_by text NOT NULL,
    alive_at timestamptz NOT NULL,
    ended_at timestamptz
);
CREATE TABLE live_row (
    recording_id uuid NOT NULL REFERENCES live_recording,
    at timestamptz NOT NULL,
    measured double precision[] NOT NULL,
    PRIMARY KEY (recording_id, at)
);
CREATE TABLE live_mark (
    recording_id uuid NOT NULL REFERENCES live_recording,
    at timestamptz NOT NULL,
    words text NOT NULL
);
CREATE TABLE live_limit (
    kind text NOT NULL,
    target_id uuid NOT NULL,
    channel text NOT NULL,
    low double precision,
    high double precision,
    PRIMARY KEY (kind, target_id, channel)
);
