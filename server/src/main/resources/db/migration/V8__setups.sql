-- Set-ups: named documents for instruments that walk no route. Each revision stays for ever.
CREATE TABLE setup (
    id uuid PRIMARY KEY,
    name text NOT NULL,
    form text NOT NULL,
    revision integer NOT NULL,
    removed boolean NOT NULL DEFAULT false,
    version integer NOT NULL
);
CREATE TABLE setup_revision (
    setup_id uuid NOT NULL REFERENCES setup,
    revision integer NOT NULL,
    content text NOT NULL,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    PRIMARY KEY (setup_id, revision)
);
CREATE TRIGGER setup_revision_fixed BEFORE UPDATE OR DELETE ON setup_revision FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TABLE setup_load (
    id uuid PRIMARY KEY,
    setup_id uuid NOT NULL REFERENCES setup,
    revision integer NOT NULL,
    instrument_id uuid NOT NULL REFERENCES instrument,
    at timestamptz NOT NULL,
    actor text NOT NULL
);
CREATE INDEX setup_load_instrument ON setup_load (instrument_id, at DESC);
CREATE TRIGGER setup_load_fixed BEFORE UPDATE OR DELETE ON setup_load FOR EACH ROW EXECUTE FUNCTION refuse_change();
