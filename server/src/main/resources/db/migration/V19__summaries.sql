-- Least and largest value of each hour of a result with very many readings, so that a plot of a million opens at once.
CREATE TABLE result_summary (
    check_id uuid NOT NULL,
    result_id text NOT NULL,
    PRIMARY KEY (check_id, result_id)
);
CREATE TABLE result_hour (
    check_id uuid NOT NULL,
    result_id text NOT NULL,
    hour timestamptz NOT NULL,
    first_at timestamptz NOT NULL,
    last_at timestamptz NOT NULL,
    least double precision NOT NULL,
    largest double precision NOT NULL,
    readings integer NOT NULL,
    PRIMARY KEY (check_id, result_id, hour),
    FOREIGN KEY (check_id, result_id) REFERENCES result_summary
);
-- Hours whose readings changed since they were summed up; they are summed up again by whoever looks next.
CREATE TABLE stale_hour (
    check_id uuid NOT NULL,
    result_id text NOT NULL,
    hour timestamptz NOT NULL
);
CREATE INDEX stale_hour_of ON stale_hour (check_id, result_id);

CREATE FUNCTION note_stale_from_fresh() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    INSERT INTO stale_hour SELECT DISTINCT f.check_id, f.result_id, date_trunc('hour', f.taken_at)
    FROM fresh f JOIN result_summary s ON s.check_id = f.check_id AND s.result_id = f.result_id;
    RETURN NULL;
END $$;
CREATE FUNCTION note_stale_from_former() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    INSERT INTO stale_hour SELECT DISTINCT f.check_id, f.result_id, date_trunc('hour', f.taken_at)
    FROM former f JOIN result_summary s ON s.check_id = f.check_id AND s.result_id = f.result_id;
    RETURN NULL;
END $$;
CREATE FUNCTION note_stale_from_both() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    INSERT INTO stale_hour SELECT DISTINCT f.check_id, f.result_id, date_trunc('hour', f.taken_at)
    FROM (SELECT check_id, result_id, taken_at FROM fresh UNION ALL SELECT check_id, result_id, taken_at FROM former) f
    JOIN result_summary s ON s.check_id = f.check_id AND s.result_id = f.result_id;
    RETURN NULL;
END $$;
CREATE TRIGGER result_added AFTER INSERT ON result REFERENCING NEW TABLE AS fresh
    FOR EACH STATEMENT EXECUTE FUNCTION note_stale_from_fresh();
CREATE TRIGGER result_changed AFTER UPDATE ON result REFERENCING NEW TABLE AS fresh OLD TABLE AS former
    FOR EACH STATEMENT EXECUTE FUNCTION note_stale_from_both();
CREATE TRIGGER result_gone AFTER DELETE ON result REFERENCING OLD TABLE AS former
    FOR EACH STATEMENT EXECUTE FUNCTION note_stale_from_former();
