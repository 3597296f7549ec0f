-- Two markers may say the same at the same time.
ALTER TABLE live_mark ADD COLUMN id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY;
CREATE INDEX live_mark_recording ON live_mark (recording_id);

-- A visit that everything was moved out of is on no list any more; that is noted when it happens.
ALTER TABLE visit ADD COLUMN empty boolean NOT NULL DEFAULT false;
UPDATE visit v SET empty = true WHERE NOT EXISTS (SELECT 1 FROM reading r WHERE r.visit_id = v.id AND NOT r.replaced)
    AND NOT EXISTS (SELECT 1 FROM visit_stop s WHERE s.visit_id = v.id);
CREATE INDEX visit_newest ON visit (began_at DESC, id) WHERE NOT empty;
