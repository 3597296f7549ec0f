-- What was not read from an instrument but brought as a file may be anybody's work. Of what is older nobody knows any more.
ALTER TABLE original ADD COLUMN as_file boolean NOT NULL DEFAULT false;
-- A walk belongs to its instrument: another one that names it means another walk.
ALTER TABLE visit DROP CONSTRAINT visit_walk_id_key;
ALTER TABLE visit ADD UNIQUE (walk_id, instrument_id);
