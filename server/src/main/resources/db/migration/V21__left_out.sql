-- What of an original could not be taken, and why: line by line of its readings.
ALTER TABLE original_intake ADD COLUMN left_out text NOT NULL DEFAULT '';
-- Units as a maker writes them that none of the usual ways of writing is, one a line.
ALTER TABLE original_intake ADD COLUMN unknown_units text NOT NULL DEFAULT '';

-- What a person said once that a maker means.
CREATE TABLE unit_spelling (
    written text PRIMARY KEY CHECK (length(written) BETWEEN 1 AND 40),
    symbol text NOT NULL
);

-- A reading that must not be judged, an overloaded sensor's for instance, counts in no baseline and no trend.
UPDATE result SET counts = false FROM reading r WHERE r.id = result.reading_id AND r.obstacle <> '' AND result.counts;
CREATE OR REPLACE FUNCTION carry_counting() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    UPDATE result SET counts = NOT NEW.replaced AND NEW.discarded_because IS NULL AND NEW.obstacle = '' WHERE reading_id = NEW.id;
    RETURN NULL;
END $$;
