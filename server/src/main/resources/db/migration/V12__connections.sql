-- A connection is a named way to an instrument; which instrument answers there is found out by asking.
CREATE TABLE connection (
    id uuid PRIMARY KEY,
    name text NOT NULL,
    kind text NOT NULL CHECK (kind IN ('NETWORK', 'LINE', 'FOLDER')),
    -- host, device or folder
    place text NOT NULL,
    -- port, or baud of a line; 0 for a folder
    number integer NOT NULL,
    -- sealed; a plain one of an earlier version is sealed at the next start
    pass_code text NOT NULL,
    instrument_id uuid REFERENCES instrument,
    answered_at timestamptz,
    UNIQUE (kind, place, number)
);
CREATE INDEX connection_instrument ON connection (instrument_id);
INSERT INTO connection (id, name, kind, place, number, pass_code, instrument_id, answered_at)
SELECT DISTINCT ON (host, port) gen_random_uuid(), model || ' ' || serial, 'NETWORK', host, port, pass_code, id, last_seen_at
FROM instrument WHERE host <> '' ORDER BY host, port, last_seen_at DESC;
ALTER TABLE instrument DROP COLUMN host;
ALTER TABLE instrument DROP COLUMN port;
ALTER TABLE instrument DROP COLUMN pass_code;
