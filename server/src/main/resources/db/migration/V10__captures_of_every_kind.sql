-- A waveform stays in columns of its own; any other capture is a file with its description, as a package carries it.
ALTER TABLE capture ADD COLUMN description text NOT NULL DEFAULT '';
ALTER TABLE capture ALTER COLUMN unit DROP NOT NULL;
ALTER TABLE capture ALTER COLUMN rate_hz DROP NOT NULL;
ALTER TABLE capture ALTER COLUMN scale DROP NOT NULL;
ALTER TABLE capture ADD CONSTRAINT capture_is_one_or_the_other CHECK ((description = '') = (unit IS NOT NULL AND rate_hz IS NOT NULL AND scale IS NOT NULL));

CREATE TABLE reading_photo (
    reading_id uuid NOT NULL REFERENCES reading,
    place smallint NOT NULL,
    media_type text NOT NULL,
    bytes bytea NOT NULL,
    PRIMARY KEY (reading_id, place)
);
