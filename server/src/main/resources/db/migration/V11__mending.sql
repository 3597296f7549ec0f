-- What people mend on readings and visits, each act whole, with the state before and after.
ALTER TABLE reading ADD COLUMN filled text NOT NULL DEFAULT '{}';
ALTER TABLE reading ADD COLUMN stored_at timestamptz NOT NULL DEFAULT now();
ALTER TABLE reading ALTER COLUMN stored_at DROP DEFAULT;

CREATE TABLE mending (
    id uuid PRIMARY KEY,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    sentence text NOT NULL,
    undoes uuid UNIQUE REFERENCES mending
);
CREATE TABLE mending_state (
    mending_id uuid NOT NULL REFERENCES mending,
    kind text NOT NULL CHECK (kind IN ('READING', 'VISIT')),
    subject_id uuid NOT NULL,
    before text NOT NULL,
    after text NOT NULL,
    PRIMARY KEY (mending_id, subject_id)
);
CREATE INDEX mending_of_subject ON mending_state (subject_id);
