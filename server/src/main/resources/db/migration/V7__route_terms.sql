-- Why a stop may be skipped: what an instrument offers to whoever walks.
CREATE TABLE skip_reason (
    place integer PRIMARY KEY,
    reason text NOT NULL UNIQUE
);
INSERT INTO skip_reason VALUES (0, 'Machine not running'), (1, 'Not accessible'), (2, 'Out of service'), (3, 'No time left');

-- A route that is taken off the list stays for the visits that were made along it.
ALTER TABLE route ADD COLUMN removed boolean NOT NULL DEFAULT false;
