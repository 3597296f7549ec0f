-- The instrument's id of the reading that this one repeats: whichever of the two arrives first, the later one counts.
ALTER TABLE reading ADD COLUMN repeats text NOT NULL DEFAULT '';
CREATE INDEX reading_repeats ON reading (instrument_serial, repeats) WHERE repeats <> '';

-- What says that it was taken later than it was read back counts nowhere until a person dates it: it would hide whatever comes until then.
UPDATE result SET counts = false FROM reading r WHERE r.id = result.reading_id AND r.taken_at > r.stored_at + interval '1 day' AND result.counts;
CREATE OR REPLACE FUNCTION carry_counting() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    UPDATE result SET counts = NOT NEW.replaced AND NEW.discarded_because IS NULL AND NEW.obstacle = '' AND NEW.taken_at <= NEW.stored_at + interval '1 day'
    WHERE reading_id = NEW.id;
    RETURN NULL;
END $$;
DROP TRIGGER reading_counts ON reading;
CREATE TRIGGER reading_counts AFTER UPDATE OF replaced, discarded_because, taken_at ON reading FOR EACH ROW
    WHEN ((OLD.replaced, OLD.discarded_because, OLD.taken_at) IS DISTINCT FROM (NEW.replaced, NEW.discarded_because, NEW.taken_at)) EXECUTE FUNCTION carry_counting();
