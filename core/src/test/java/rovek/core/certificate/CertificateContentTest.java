package rovek.core.certificate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import rovek.core.certificate.CertificateContent.InstrumentStatement;
import rovek.core.limit.Judgement;
import rovek.core.limit.Verdict;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

class CertificateContentTest {

    private static final LocalDate DAY = LocalDate.of(2026, 11, 23);

    private static CertificateRow row(Verdict verdict, String reason) {
        return new CertificateRow(
                "P-101",
                "Well pump 1",
                "Drive end",
                "velocity RMS",
                UnitCatalogue.MILLIMETRE_PER_SECOND,
                OptionalInt.empty(),
                Optional.of(Amount.of(1, "mm/s")),
                List.of(),
                false,
                Judgement.of(verdict, Sentence.plain(reason)),
                "");
    }

    private static CertificateContent content(Optional<LocalDate> calibratedUntil, CertificateRow... rows) {
        return new CertificateContent(
                "Marrowdale",
                "Works",
                "Monthly walk",
                DAY,
                ZoneOffset.UTC,
                "T. Tester",
                Optional.empty(),
                List.of(new InstrumentStatement(
                        Sentence.plain("VH-2 no. 30417"), Optional.of(DAY.minusYears(1)), calibratedUntil)),
                List.of(),
                false,
                List.of(),
                List.of(rows));
    }

    @Test
    void theFindingCountsWhatWasNotJudgedBesideThePasses() {
        var content = content(Optional.of(DAY), row(Verdict.PASS, ""), row(Verdict.NOT_JUDGED, "no limit is set"));
        assertThat(content.finding())
                .isEqualTo(Sentence.of(
                        "reports.finding",
                        "results",
                        2,
                        "fail",
                        0,
                        "watch",
                        0,
                        "pass",
                        1,
                        "notJudged",
                        1,
                        "overridden",
                        0L));
        assertThat(content.notJudged()).hasSize(1);
        assertThat(content.missing()).isEmpty();
    }

    @Test
    void whatIsMissingIsListedBeforeSigning() {
        assertThat(content(Optional.of(DAY.minusDays(1))).missing()).containsExactly(Sentence.of("reports.noResult"));
    }

    @Test
    void aCalibrationThatHadRunOutIsSaidApartTheDayItselfIsWithin() {
        assertThat(content(Optional.of(DAY.minusDays(1))).overdue())
                .containsExactly(
                        Sentence.of("reports.instrumentOverdue", "instrument", Sentence.plain("VH-2 no. 30417")));
        assertThat(content(Optional.of(DAY)).overdue()).isEmpty();
        assertThat(content(Optional.empty()).overdue())
                .as("how long it holds is not known")
                .hasSize(1);
    }

    @Test
    void aCalibrationAfterTheVisitDoesNotReachBack() {
        var instrument = new InstrumentStatement(
                Sentence.plain("VH-2 no. 30417"), Optional.of(DAY.plusDays(1)), Optional.of(DAY.plusYears(1)));
        var content = new CertificateContent(
                "Marrowdale",
                "Works",
                "Monthly walk",
                DAY,
                ZoneOffset.UTC,
                "T. Tester",
                Optional.empty(),
                List.of(instrument),
                List.of(),
                false,
                List.of(),
                List.of(row(Verdict.PASS, "")));
        assertThat(content.missing())
                .containsExactly(
                        Sentence.of("reports.calibratedAfter", "instrument", Sentence.plain("VH-2 no. 30417")));
    }

    @Test
    void aRowThatWasNotJudgedMustSayWhy() {
        assertThatThrownBy(() -> row(Verdict.NOT_JUDGED, " ")).hasMessageContaining("says why");
    }
}
