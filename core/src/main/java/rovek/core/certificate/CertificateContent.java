package rovek.core.certificate;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rovek.core.limit.RollUp;
import rovek.core.wording.Sentence;

/**
 * What a certificate says, as a value: everything that is printed and nothing that depends on how.
 *
 * @param client whom it is for
 * @param site where
 * @param visitOn the day the readings were taken
 * @param zone time zone of the site, that all its days are in
 * @param technician who measured
 * @param reviewer who signs, once known
 * @param sensors the measurements were made with
 * @param isByHand whether some of it was written down without an instrument
 * @param files what came as a file instead of from the instrument itself, and who brought it, a statement each
 */
public record CertificateContent(
        String client,
        String site,
        String work,
        LocalDate visitOn,
        ZoneId zone,
        String technician,
        Optional<String> reviewer,
        List<InstrumentStatement> instruments,
        List<SensorStatement> sensors,
        boolean isByHand,
        List<Sentence> files,
        List<CertificateRow> rows) {

    /**
     * An instrument and the calibration it had when it measured.
     *
     * @param name maker, model and serial number, or what tells it apart without one
     */
    public record InstrumentStatement(
            Sentence name, Optional<LocalDate> calibratedOn, Optional<LocalDate> calibratedUntil) {

        boolean isCalibratedOn(LocalDate day) {
            return calibratedUntil.isPresent() && !calibratedUntil.get().isBefore(day);
        }
    }

    /**
     * A sensor and the calibration it had when it measured.
     *
     * @param name tag, and serial number where it is known
     * @param isRegistered whether the register knows it; its calibration is not known otherwise
     * @param dueOn when it was due again; empty where no interval is set
     */
    public record SensorStatement(
            Sentence name, boolean isRegistered, Optional<LocalDate> calibratedOn, Optional<LocalDate> dueOn) {}

    public CertificateContent {
        instruments = List.copyOf(instruments);
        sensors = List.copyOf(sensors);
        files = List.copyOf(files);
        rows = List.copyOf(rows);
    }

    /** The same, under somebody's name: nothing else of it changes between being seen and being signed. */
    public CertificateContent signedBy(String name) {
        return new CertificateContent(
                client,
                site,
                work,
                visitOn,
                zone,
                technician,
                Optional.of(name),
                instruments,
                sensors,
                isByHand,
                files,
                rows);
    }

    public RollUp rollUp() {
        return RollUp.ofAll(rows.stream().map(CertificateRow::verdict).toList());
    }

    public List<CertificateRow> notJudged() {
        return rows.stream().filter(row -> !row.reasonNotJudged().isBlank()).toList();
    }

    /** The finding in one sentence; says what was not judged even where all else passed. */
    public Sentence finding() {
        RollUp all = rollUp();
        long overridden = rows.stream()
                .filter(row -> row.judgement().overridden().isPresent())
                .count();
        return Sentence.of(
                "reports.finding",
                "results",
                all.total(),
                "fail",
                all.fail(),
                "watch",
                all.watch(),
                "pass",
                all.pass(),
                "notJudged",
                all.notJudged(),
                "overridden",
                overridden);
    }

    /** What keeps it from being signed, each as a sentence; empty when it is complete. */
    public List<Sentence> missing() {
        List<Sentence> missing = new ArrayList<>();
        if (client.isBlank()) {
            missing.add(Sentence.of("reports.noClient"));
        }
        if (rows.isEmpty()) {
            missing.add(Sentence.of("reports.noResult"));
        }
        if (instruments.isEmpty() && !isByHand) {
            missing.add(Sentence.of("reports.noInstrument"));
        }
        for (InstrumentStatement instrument : instruments) {
            if (instrument.calibratedOn().isEmpty()) {
                missing.add(Sentence.of("reports.calibrationUnknown", "instrument", instrument.name()));
            } else if (instrument.calibratedOn().get().isAfter(visitOn)) {
                missing.add(Sentence.of("reports.calibratedAfter", "instrument", instrument.name()));
            }
        }
        return missing;
    }

    /**
     * Instruments and sensors whose calibration had run out on the day of the visit, each as a sentence. Whether that
     * forbids signing is the company's policy.
     */
    public List<Sentence> overdue() {
        Stream<Sentence> ofInstruments = instruments.stream()
                .filter(instrument -> instrument.calibratedOn().isPresent() && !instrument.isCalibratedOn(visitOn))
                .map(instrument -> Sentence.of("reports.instrumentOverdue", "instrument", instrument.name()));
        Stream<Sentence> ofSensors = sensors.stream()
                .filter(sensor ->
                        sensor.dueOn().filter(due -> due.isBefore(visitOn)).isPresent())
                .map(sensor -> Sentence.of("reports.sensorOverdue", "sensor", sensor.name()));
        return Stream.concat(ofInstruments, ofSensors).toList();
    }
}
