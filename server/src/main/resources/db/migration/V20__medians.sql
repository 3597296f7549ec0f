-- The course of very many values goes by medians, which a single wild value does not move. Hours are summed up again when they are looked at next.
DELETE FROM result_hour;
DELETE FROM stale_hour;
DELETE FROM result_summary;
ALTER TABLE result_hour ADD COLUMN median double precision NOT NULL;
