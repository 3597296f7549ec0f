-- Two makers may number alike: an instrument is told apart by maker, model and serial number; one that tells no serial number, by the
-- connection it is reached by or by the person who brought its file.
ALTER TABLE instrument ADD COLUMN known_by text NOT NULL DEFAULT '';
ALTER TABLE instrument DROP CONSTRAINT instrument_serial_key;
-- What was kept under "0" or nothing (IEEE 488.2, 10.14: no serial number) keeps all it measured. Its next answer is known by its connection.
UPDATE instrument i SET serial = '', known_by = coalesce(
    (SELECT CASE c.kind WHEN 'NETWORK' THEN c.place || ' port ' || c.number WHEN 'LINE' THEN c.place || ', ' || c.number || ' baud' ELSE c.place END
     FROM connection c WHERE c.instrument_id = i.id ORDER BY c.answered_at DESC NULLS LAST LIMIT 1),
    'an earlier file, ' || i.id)
WHERE btrim(serial) IN ('', '0');
CREATE UNIQUE INDEX instrument_identity ON instrument (lower(maker), lower(model), serial, known_by);
CREATE INDEX instrument_serial ON instrument (serial);

-- A reading is the same reading where the same instrument gave it the same id and the same capture.
ALTER TABLE reading ADD COLUMN instrument_id uuid REFERENCES instrument;
ALTER TABLE reading DISABLE TRIGGER USER;
UPDATE reading r SET instrument_id = coalesce(
    (SELECT i.id FROM instrument i WHERE i.serial = r.instrument_serial AND i.serial <> '' LIMIT 1),
    (SELECT o.instrument_id FROM original o WHERE o.id = r.original_id));
ALTER TABLE reading ENABLE TRIGGER USER;
DROP INDEX reading_repeats;
ALTER TABLE reading DROP CONSTRAINT reading_instrument_serial_own_id_capture_sha256_key;
ALTER TABLE reading DROP COLUMN instrument_serial;
ALTER TABLE reading ALTER COLUMN instrument_id SET NOT NULL;
ALTER TABLE reading ADD CONSTRAINT reading_identity UNIQUE (instrument_id, own_id, capture_sha256);
CREATE INDEX reading_repeats ON reading (instrument_id, repeats) WHERE repeats <> '';
