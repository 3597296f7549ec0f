-- Who watches gives way to who looks, and both to who works: 0, 1, 2. Whoever waits for the instrument says so in "wanted".
ALTER TABLE instrument_claim ADD COLUMN rank smallint NOT NULL DEFAULT 2;
ALTER TABLE instrument_claim ADD COLUMN wanted boolean NOT NULL DEFAULT false;
