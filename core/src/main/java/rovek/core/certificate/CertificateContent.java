package rovek.core.certificate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.limit.RollUp;

/**
 * What a certificate says, as a value: everything that is printed and nothing that depends on how.
 *
 * @param client whom it is for
 * @param site where
 * @param visitOn the day the readings were taken
 * @param technician who measured
 * @param reviewer who signs, once known
 * @param isByHand whether some of it was written down without an instrument
 */
public record CertificateContent(
        String client,
        String site,
        String work,
        LocalDate visitOn,
        String technician,
        Optional<String> reviewer,
        List<InstrumentStatement> instruments,
        boolean isByHand,
        List<CertificateRow> rows) {

    /** What it was measured with. */
    public record InstrumentStatement(
            String model, String serial, Optional<LocalDate> calibratedOn, Optional<LocalDate> calibratedUntil) {

        boolean isCalibratedOn(LocalDate day) {
            return calibratedUntil.isPresent() && !calibratedUntil.get().isBefore(day);
        }
    }

    public CertificateContent {
        instruments = List.copyOf(instruments);
        rows = List.copyOf(rows);
    }

    public RollUp rollUp() {
        return RollUp.ofAll(rows.stream().map(CertificateRow::verdict).toList());
    }

    public List<CertificateRow> notJudged() {
        return rows.stream().filter(row -> !row.reasonNotJudged().isBlank()).toList();
    }

    /** The finding in one sentence; says what was not judged even where all else passed. */
    public String finding() {
        RollUp all = rollUp();
        List<String> parts = new ArrayList<>();
        parts.add(all.fail() + " fail");
        parts.add(all.watch() + " watch");
        parts.add(all.pass() + " pass");
        parts.add(all.notJudged() + " not judged");
        long overruled = rows.stream().filter(row -> row.judgement().overruled().isPresent()).count();
        String byPersons = overruled == 0 ? "" : " Of these verdicts %d %s a person's own, given instead of the computed one.".formatted(overruled, overruled == 1 ? "is" : "are");
        return "%d results: %s.%s".formatted(all.total(), String.join(", ", parts), byPersons);
    }

    /** What keeps it from being signed, each as a sentence; empty when it is complete. */
    public List<String> missing() {
        List<String> missing = new ArrayList<>();
        if (client.isBlank()) {
            missing.add("The readings do not belong to a client: move the assets under one.");
        }
        if (rows.isEmpty()) {
            missing.add("No result is chosen.");
        }
        if (instruments.isEmpty() && !isByHand) {
            missing.add("No instrument is named.");
        }
        for (InstrumentStatement instrument : instruments) {
            if (instrument.calibratedOn().isEmpty()) {
                missing.add("The calibration date of %s no. %s is not known."
                        .formatted(instrument.model(), instrument.serial()));
            } else if (instrument.calibratedOn().get().isAfter(visitOn)) {
                missing.add("%s no. %s was calibrated only after the visit.".formatted(instrument.model(), instrument.serial()));
            }
        }
        return missing;
    }

    /** Instruments whose calibration had run out on the day of the visit, each as a sentence. Whether that forbids signing is the house's rule. */
    public List<String> overdue() {
        return instruments.stream()
                .filter(instrument -> instrument.calibratedOn().isPresent() && !instrument.isCalibratedOn(visitOn))
                .map(instrument -> "The calibration of %s no. %s had run out on the day of the visit.".formatted(instrument.model(), instrument.serial()))
                .toList();
    }
}
