-- How far an instrument's clock was ahead when it was last looked at: it tells when somebody has set it since.
ALTER TABLE instrument ADD COLUMN clock_ahead_millis bigint;
ALTER TABLE instrument ADD COLUMN clock_seen_at timestamptz;
-- The same of the last look before it was set, until its readings are read back.
ALTER TABLE instrument ADD COLUMN clock_ahead_before_millis bigint;
ALTER TABLE instrument ADD COLUMN clock_seen_before_at timestamptz;
-- Why the times of a visit are in doubt though they may be true, as was found out when it was read back; blank for no such doubt.
ALTER TABLE visit ADD COLUMN clock_doubt text NOT NULL DEFAULT '';
-- A piece that was fetched for a preview is no part of a transfer that was interrupted.
ALTER TABLE transfer_piece ADD COLUMN for_preview boolean NOT NULL DEFAULT false;
