-- A route has revisions: another one whenever its stops, their order or what is said of them change.
ALTER TABLE route
    ADD COLUMN revision integer NOT NULL DEFAULT 1,
    ADD COLUMN every_days integer CHECK (every_days > 0),
    ADD COLUMN first_due date,
    ADD COLUMN assigned_to text;
ALTER TABLE route_stop ADD COLUMN instruction text NOT NULL DEFAULT '';

-- What was loaded onto which instrument; an instrument holds the last one.
CREATE TABLE route_load (
    id uuid PRIMARY KEY,
    route_id uuid NOT NULL REFERENCES route,
    revision integer NOT NULL,
    instrument_id uuid NOT NULL REFERENCES instrument,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    -- check to all that was said of the stop, as JSON in walking order
    stops text NOT NULL
);
CREATE INDEX route_load_instrument ON route_load (instrument_id, at DESC);
CREATE TRIGGER route_load_fixed BEFORE UPDATE OR DELETE ON route_load FOR EACH ROW EXECUTE FUNCTION refuse_change();
