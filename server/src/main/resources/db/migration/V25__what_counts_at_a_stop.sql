-- The stop a reading was taken for, by the check it was loaded for; null for one that no stop asked for. And whether a person chose it to count there.
ALTER TABLE reading ADD COLUMN planned_for uuid;
ALTER TABLE reading ADD COLUMN chosen boolean NOT NULL DEFAULT false;
-- The calibration of the instrument that took it, as the instrument told when it was read back.
ALTER TABLE reading ADD COLUMN calibrated_on date;
ALTER TABLE reading ADD COLUMN calibrated_until date;
ALTER TABLE reading DISABLE TRIGGER USER;
-- What nobody moved stands where the instrument put it.
UPDATE reading r SET planned_for = r.check_id FROM visit_stop s
WHERE s.visit_id = r.visit_id AND s.planned = r.check_id AND NOT EXISTS (SELECT 1 FROM mending_state m WHERE m.subject_id = r.id);
UPDATE reading r SET
    calibrated_on = CASE WHEN v.instrument_id = r.instrument_id THEN v.calibrated_on ELSE i.calibrated_on END,
    calibrated_until = CASE WHEN v.instrument_id = r.instrument_id THEN v.calibrated_until ELSE i.calibrated_until END
FROM visit v, instrument i WHERE v.id = r.visit_id AND i.id = r.instrument_id;
ALTER TABLE reading ENABLE TRIGGER USER;
UPDATE mending_state SET before = (before::jsonb || '{"chosen": false}')::text, after = (after::jsonb || '{"chosen": false}')::text WHERE kind = 'READING';

-- The calibrations a sensor had: a later one does not reach back.
CREATE TABLE sensor_calibration (
    sensor_id uuid NOT NULL REFERENCES sensor,
    calibrated_on date NOT NULL,
    PRIMARY KEY (sensor_id, calibrated_on)
);
INSERT INTO sensor_calibration SELECT id, calibrated_on FROM sensor WHERE calibrated_on IS NOT NULL;

-- The readings a signed certificate states, so that it says when one of them was discarded or moved since.
CREATE TABLE certificate_reading (
    certificate_id uuid NOT NULL REFERENCES certificate,
    reading_id uuid NOT NULL REFERENCES reading,
    visit_id uuid NOT NULL,
    check_id uuid NOT NULL,
    PRIMARY KEY (certificate_id, reading_id)
);
CREATE INDEX certificate_of_reading ON certificate_reading (reading_id);
INSERT INTO certificate_reading
SELECT c.id, r.id, r.visit_id, r.check_id FROM certificate c JOIN reading r ON r.visit_id = c.visit_id AND r.check_id::text = ANY (string_to_array(c.check_ids, ','))
WHERE c.state <> 'PREPARED' AND NOT r.replaced AND r.discarded_because IS NULL;
CREATE TRIGGER certificate_reading_fixed BEFORE UPDATE OR DELETE ON certificate_reading FOR EACH ROW EXECUTE FUNCTION refuse_change();
