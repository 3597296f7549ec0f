package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rovek.core.limit.Limit;
import rovek.core.limit.Verdict;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.byhand.Gauge;
import rovek.core.technique.byhand.Question;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** What is read off a gauge or answered with yes or no. */
class ByHandTest {

    private final Technique gauge = new Gauge();
    private final Technique question = new Question();

    private static ValueCapture given(double value, String unit) {
        return new ValueCapture(new Amount(value, UnitCatalogue.get(unit)));
    }

    @Test
    void aGaugeIsConvertedToTheUnitOfItsQuantity() {
        SettingValues pressure = gauge.settingsOf(Map.of("quantity", "pressure"));
        Analysis analysis = gauge.analyse(given(350, "kPa"), pressure);
        assertThat(analysis.results().get(0).value().value()).isCloseTo(3.5, within(1e-12));
        assertThat(analysis.results().get(0).value().unit().symbol()).isEqualTo("bar");
        assertThatThrownBy(() -> gauge.analyse(given(20, "°C"), pressure))
                .hasMessage("byhand.otherQuantity {quantity=pressure, unit=°C}");
        assertThatThrownBy(() -> gauge.analyse(new TextCapture(java.util.List.of("3.5")), pressure))
                .hasMessageContaining("byhand.noGauge");
        assertThatThrownBy(() -> given(Double.NaN, "bar")).hasMessageContaining("unit.notFinite");
    }

    @Test
    void temperaturesAreConvertedWithTheirZero() {
        SettingValues temperature = gauge.settingsOf(Map.of("quantity", "temperature"));
        assertThat(gauge.analyse(given(20, "°C"), temperature)
                        .results()
                        .get(0)
                        .value()
                        .value())
                .isEqualTo(20);
    }

    @Test
    void whetherHighOrLowIsBadIsSetOnTheCheck() {
        Limit low = Limit.plain(Sense.LOWER_IS_WORSE, Optional.empty(), Optional.of(new Amount(2, UnitCatalogue.BAR)));
        SettingValues settings = gauge.settingsOf(Map.of("worse", "lower"));
        Analysis analysis = gauge.analyse(given(1.5, "bar"), settings);
        assertThat(low.judge(analysis.result("pressure.low").orElseThrow().value()))
                .isEqualTo(Verdict.FAIL);
        assertThat(analysis.result("pressure"))
                .as("a limit of the other sense finds nothing")
                .isEmpty();
        assertThat(gauge.result("pressure.low").sense()).isEqualTo(Sense.LOWER_IS_WORSE);
    }

    @Test
    void theRightAnswerPassesUnderTheLimitThatIsProposed() {
        for (String right : new String[] {"yes", "no"}) {
            SettingValues settings = question.settingsOf(Map.of("right", right));
            ResultDefinition result = question.results(settings).get(0);
            LimitProposal proposal =
                    question.proposals(settings, Nameplate.BLANK).get(0);
            Limit limit = Limit.plain(
                    result.sense(), Optional.empty(), proposal.fail().map(value -> new Amount(value, result.unit())));
            double rightAnswer = right.equals("yes") ? 1 : 0;
            assertThat(limit.judge(question.analyse(given(rightAnswer, "1"), settings)
                            .result(proposal.resultId())
                            .orElseThrow()
                            .value()))
                    .isEqualTo(Verdict.PASS);
            assertThat(limit.judge(question.analyse(given(1 - rightAnswer, "1"), settings)
                            .result(proposal.resultId())
                            .orElseThrow()
                            .value()))
                    .isEqualTo(Verdict.FAIL);
        }
        assertThatThrownBy(() -> question.analyse(given(0.5, "1"), question.settingsOf(Map.of())))
                .hasMessageContaining("byhand.noAnswer");
    }

    @Test
    void whatIsOnlyKeptIsNeverJudgedAndNeverTakenForAnother() {
        for (Technique technique : Techniques.all().list()) {
            if (technique.results(technique.settingsOf(Map.of())).isEmpty()) {
                assertThatThrownBy(() -> technique.analyse(given(1, "V"), technique.settingsOf(Map.of())))
                        .isInstanceOf(Refused.class);
            }
        }
        Technique codes = Techniques.all().get("codes");
        Analysis analysis = codes.analyse(new TextCapture(java.util.List.of("P0420")), codes.settingsOf(Map.of()));
        assertThat(analysis.reasonNotToJudge()).isEqualTo(Sentence.of("reading.keptAsTaken"));
    }
}
