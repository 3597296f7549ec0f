-- Whoever takes a recording closes it first: a server that slept meanwhile adds nothing more to it.
ALTER TABLE live_recording ADD COLUMN closed_at timestamptz;
UPDATE live_recording SET closed_at = ended_at;
