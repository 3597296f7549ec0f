-- In which time zone somebody reads times, blank for that of the plant; and how dates are written, blank for the way of the language.
ALTER TABLE account ADD COLUMN time_zone text NOT NULL DEFAULT '', ADD COLUMN date_format text NOT NULL DEFAULT '';
