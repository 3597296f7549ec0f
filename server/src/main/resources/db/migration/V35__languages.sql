-- The language a person reads; blank for the one the browser prefers.
ALTER TABLE account ADD COLUMN language text NOT NULL DEFAULT '' CHECK (length(language) <= 10);
