-- Assets kept to stamp out more, each revision for ever: a stamped asset is compared with the one it came from.
CREATE TABLE plant_template (
    id uuid PRIMARY KEY,
    name text NOT NULL UNIQUE,
    latest integer NOT NULL,
    shipped boolean NOT NULL
);
CREATE TABLE plant_template_revision (
    template_id uuid NOT NULL REFERENCES plant_template,
    revision integer NOT NULL,
    parts text NOT NULL,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    PRIMARY KEY (template_id, revision)
);
CREATE TRIGGER plant_template_revision_fixed BEFORE UPDATE OR DELETE ON plant_template_revision
    FOR EACH ROW EXECUTE FUNCTION refuse_change();
