-- What is watched live is asked for by one server; the others show what it was told. None of it outlives the moment.
CREATE UNLOGGED TABLE live_view (
    kind text NOT NULL,
    target_id uuid NOT NULL,
    holder uuid NOT NULL,
    until timestamptz NOT NULL,
    followed_until timestamptz NOT NULL DEFAULT '-infinity',
    shown text NOT NULL DEFAULT '',
    PRIMARY KEY (kind, target_id)
);
-- So that every server can tell how far a recording is.
ALTER TABLE live_recording ADD COLUMN taken integer NOT NULL DEFAULT 0;
UPDATE live_recording SET taken = (SELECT count(*) FROM live_row WHERE recording_id = live_recording.id) WHERE ended_at IS NULL;
-- One at a time, whichever server is asked for it: of several that were left behind the newest may go on.
UPDATE live_recording AS one SET closed_at = one.alive_at WHERE closed_at IS NULL
    AND EXISTS (SELECT 1 FROM live_recording AS other WHERE other.closed_at IS NULL AND other.kind = one.kind AND other.target_id = one.target_id
        AND (other.began_at, other.id) > (one.began_at, one.id));
CREATE UNIQUE INDEX live_recording_open ON live_recording (kind, target_id) WHERE closed_at IS NULL;
