-- Firmware is signed by its maker, or confirmed by another person than the one who brought it.
ALTER TABLE firmware ADD COLUMN image_sha256 text NOT NULL DEFAULT '';
ALTER TABLE firmware ALTER COLUMN image_sha256 DROP DEFAULT;
ALTER TABLE firmware ADD COLUMN signature bytea;
ALTER TABLE firmware ADD COLUMN confirmed_by text;
ALTER TABLE firmware ADD COLUMN confirmed_at timestamptz;
