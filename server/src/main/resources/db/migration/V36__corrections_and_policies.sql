-- The tables are called what they are called everywhere else.
ALTER TABLE mending RENAME TO correction;
ALTER TABLE mending_state RENAME TO correction_state;
ALTER TABLE correction_state RENAME COLUMN mending_id TO correction_id;
ALTER INDEX mending_of_subject RENAME TO correction_of_subject;
ALTER INDEX mending_of_visit RENAME TO correction_of_visit;
ALTER TABLE house_rule RENAME TO policy;
ALTER TABLE reading RENAME COLUMN overruled TO overridden;
-- What was kept of readings before, and after, says so in the same word.
ALTER TABLE correction_state DISABLE TRIGGER USER;
UPDATE correction_state SET before = (before::jsonb - 'overruled' || jsonb_build_object('overridden', before::jsonb -> 'overruled'))::text
WHERE kind = 'READING' AND before::jsonb ? 'overruled';
UPDATE correction_state SET after = (after::jsonb - 'overruled' || jsonb_build_object('overridden', after::jsonb -> 'overruled'))::text
WHERE kind = 'READING' AND after::jsonb ? 'overruled';
ALTER TABLE correction_state ENABLE TRIGGER USER;
