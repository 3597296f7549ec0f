-- The check a stop was loaded for, which stays where a person moves the stop to another one.
ALTER TABLE visit_stop ADD COLUMN planned uuid;
UPDATE visit_stop SET planned = check_id;
ALTER TABLE visit_stop ALTER COLUMN planned SET NOT NULL;
-- As of when, by the instrument's clock, a visit's walk is known; an older state of it changes nothing.
ALTER TABLE visit ADD COLUMN walk_state_at timestamptz;
UPDATE visit SET walk_state_at = now() WHERE walk_id IS NOT NULL;
-- Whether a person corrected its stops or its time: what comes later leaves those as they are.
ALTER TABLE visit ADD COLUMN corrected boolean NOT NULL DEFAULT false;
UPDATE visit SET corrected = true WHERE id IN (SELECT subject_id FROM mending_state WHERE kind = 'VISIT');

-- The visit that what was corrected was of, so that a visit lists its corrections, those of readings that went elsewhere too.
ALTER TABLE mending_state ADD COLUMN visit_id uuid;
UPDATE mending_state SET visit_id = CASE kind WHEN 'VISIT' THEN subject_id ELSE (before::jsonb ->> 'visitId')::uuid END;
ALTER TABLE mending_state ALTER COLUMN visit_id SET NOT NULL;
CREATE INDEX mending_of_visit ON mending_state (visit_id);
