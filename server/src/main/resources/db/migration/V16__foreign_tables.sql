-- How a foreign table was understood, by its headings: the next one like it needs no asking.
CREATE TABLE foreign_mapping (
    signature text PRIMARY KEY,
    mapping text NOT NULL,
    remembered_at timestamptz NOT NULL,
    remembered_by text NOT NULL
);
