-- The bytes of an original lie in the pieces in which they arrived: nothing that is kept or taken has to be in memory as a whole.
CREATE TABLE transfer (
    id uuid PRIMARY KEY,
    instrument_id uuid NOT NULL REFERENCES instrument,
    sha256 text NOT NULL,
    begun_at timestamptz NOT NULL,
    for_preview boolean NOT NULL,
    UNIQUE (instrument_id, sha256)
);

-- Of an original, or of a transfer that will be one under the same id.
CREATE TABLE original_piece (
    original_id uuid NOT NULL,
    first_byte bigint NOT NULL,
    size integer NOT NULL,
    bytes bytea NOT NULL,
    PRIMARY KEY (original_id, first_byte)
);
-- What is packed gets no smaller.
ALTER TABLE original_piece ALTER COLUMN bytes SET STORAGE EXTERNAL;

ALTER TABLE capture ALTER COLUMN samples SET STORAGE EXTERNAL;

DELETE FROM transfer_piece p USING original o WHERE o.instrument_id = p.instrument_id AND o.sha256 = p.sha256;
INSERT INTO transfer SELECT gen_random_uuid(), instrument_id, sha256, min(arrived_at), bool_and(for_preview) FROM transfer_piece GROUP BY instrument_id, sha256;
INSERT INTO original_piece SELECT t.id, p.first_byte, length(p.bytes), p.bytes FROM transfer_piece p JOIN transfer t USING (instrument_id, sha256);
DROP TABLE transfer_piece;

INSERT INTO original_piece
SELECT o.id, at, length(part), part
FROM original o CROSS JOIN LATERAL generate_series(0, length(o.bytes)::bigint - 1, 131072) at
    CROSS JOIN LATERAL substring(o.bytes FROM at::integer + 1 FOR 131072) part;
ALTER TABLE original DROP COLUMN bytes;

CREATE FUNCTION keep_pieces() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF EXISTS (SELECT 1 FROM original WHERE id = OLD.original_id) THEN
        RAISE EXCEPTION 'originals are not changed';
    END IF;
    RETURN CASE TG_OP WHEN 'DELETE' THEN OLD ELSE NEW END;
END $$;
CREATE TRIGGER original_piece_fixed BEFORE UPDATE OR DELETE ON original_piece FOR EACH ROW EXECUTE FUNCTION keep_pieces();

-- One thing may become known of an original later: that the instrument itself holds the very bytes that came as a file.
CREATE FUNCTION keep_original() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'UPDATE' THEN
        IF OLD.as_file AND NOT NEW.as_file AND to_jsonb(NEW) - 'as_file' = to_jsonb(OLD) - 'as_file' THEN
            RETURN NEW;
        END IF;
    END IF;
    RAISE EXCEPTION 'originals are not changed';
END $$;
DROP TRIGGER original_fixed ON original;
CREATE TRIGGER original_fixed BEFORE UPDATE OR DELETE ON original FOR EACH ROW EXECUTE FUNCTION keep_original();
