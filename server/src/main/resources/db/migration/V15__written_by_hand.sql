-- Who writes readings down by hand stands where otherwise an instrument stands, and is none.
ALTER TABLE instrument ADD COLUMN by_hand boolean NOT NULL DEFAULT false;
