package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import rovek.core.technique.Sense;
import rovek.core.trend.TimedValue;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

class SeriesJudgeTest {

    private static final Instant START = Instant.parse("2026-01-01T08:00:00Z");
    private static final UUID CHECK = new UUID(0, 1);
    private static final UUID AREA = new UUID(0, 2);

    private static Instant day(double day) {
        return START.plusSeconds(Math.round(86_400 * day));
    }

    private static List<TimedValue> daily(double... values) {
        List<TimedValue> series = new ArrayList<>();
        for (double value : values) {
            series.add(new TimedValue(day(series.size()), value));
        }
        return series;
    }

    private static LimitLayers layers(String... nearestFirst) {
        List<LimitLayers.Layer> layers = new ArrayList<>();
        for (String text : nearestFirst) {
            layers.add(new LimitLayers.Layer(
                    new UUID(0, layers.size() + 1L), LimitTimeline.parse(text, Sense.HIGHER_IS_WORSE)));
        }
        return new LimitLayers(layers);
    }

    private static List<Verdict> verdicts(SeriesJudge judge) {
        return judge.judged().stream().map(one -> one.outcome().verdict()).toList();
    }

    private static SeriesJudge judge(
            List<TimedValue> values, LimitLayers limits, Baselines baselines, List<List<TimedValue>> sisters) {
        return new SeriesJudge(values, UnitCatalogue.MILLIMETRE_PER_SECOND, limits, baselines, sisters);
    }

    @Example
    void eachValueIsJudgedUnderTheLimitThatCountedAtItsTime() {
        LimitLayers limits = layers("2/4 mm/s || [said %s from %s] 1/2 mm/s || [said %s from %s until %s] 5/6 mm/s"
                .formatted(day(3), day(3), day(5), day(5), day(6)));
        SeriesJudge judge = judge(daily(3, 3, 3, 3, 3, 3, 3), limits, Baselines.FIRST_READINGS, List.of());
        assertThat(verdicts(judge))
                .containsExactly(
                        Verdict.WATCH,
                        Verdict.WATCH,
                        Verdict.WATCH,
                        Verdict.FAIL,
                        Verdict.FAIL,
                        Verdict.PASS,
                        Verdict.FAIL);
        assertThat(judge.judged().get(5).limit().orElseThrow().revision().number())
                .isEqualTo(3);
        assertThat(limits.changes()).containsExactly(day(3), day(5), day(6));
    }

    @Example
    void whatTheCheckDoesNotSayIsInheritedAtThatTime() {
        LimitLayers limits = layers(
                "[from %s] 1/2 mm/s || [from %s] inherited || [from %s] -/-".formatted(day(2), day(4), day(6)),
                "2/4 mm/s");
        assertThat(limits.at(day(0)).orElseThrow().node()).isEqualTo(AREA);
        assertThat(limits.at(day(2)).orElseThrow().node()).isEqualTo(CHECK);
        assertThat(limits.at(day(5)).orElseThrow().node()).isEqualTo(AREA);
        assertThat(limits.at(day(6))).as("said to have none").isEmpty();
    }

    @Example
    void underWhatWasKnownThenAReadingWasJudgedOtherwise() {
        LimitLayers limits = layers("2/4 mm/s || [said %s] 1/2 mm/s".formatted(day(9)));
        assertThat(limits.at(day(1)).orElseThrow().revision().number()).isEqualTo(2);
        assertThat(limits.at(day(1), day(1)).orElseThrow().revision().number()).isEqualTo(1);
    }

    @Example
    void aRepairStartsANewBaseline() {
        List<TimedValue> values = daily(1, 1, 1.1, 0.9, 1, 1.6, 3, 3, 3.1, 2.9, 3, 3.2, 4.8);
        LimitLayers limits = layers("baseline +50/+100 %");
        Baselines repaired = new Baselines(List.of(new Baselines.Start(day(5.5), Optional.empty())));
        List<Verdict> withRepair = verdicts(judge(values, limits, repaired, List.of()));
        assertThat(withRepair.subList(0, 5)).containsOnly(Verdict.NOT_JUDGED);
        assertThat(withRepair.get(5)).isEqualTo(Verdict.WATCH);
        assertThat(withRepair.subList(6, 11)).as("a new baseline is made").containsOnly(Verdict.NOT_JUDGED);
        assertThat(withRepair.subList(11, 13)).containsExactly(Verdict.PASS, Verdict.WATCH);
        assertThat(verdicts(judge(values, limits, Baselines.FIRST_READINGS, List.of()))
                        .get(11))
                .as("without the repair")
                .isEqualTo(Verdict.FAIL);
    }

    @Example
    void aBaselineCanBeAPeriod() {
        Baselines weekend = new Baselines(List.of(new Baselines.Start(day(2), Optional.of(day(3)))));
        SeriesJudge judge = judge(daily(9, 9, 1, 2, 2, 4), layers("baseline +50/+100 %"), weekend, List.of());
        assertThat(verdicts(judge).subList(2, 6))
                .containsExactly(Verdict.NOT_JUDGED, Verdict.NOT_JUDGED, Verdict.PASS, Verdict.FAIL);
        assertThat(judge.judged().get(3).outcome().remark()).isEqualTo(Sentence.of("limit.ofBaseline"));
    }

    @Example
    void theRateIsPerDayWhateverTheInterval() {
        List<TimedValue> values = List.of(
                new TimedValue(day(0), 1),
                new TimedValue(day(10), 2),
                new TimedValue(day(10.5), 2.5),
                new TimedValue(day(12.5), 6));
        assertThat(verdicts(judge(values, layers("rate +0.5/+1 mm/s a day"), Baselines.FIRST_READINGS, List.of())))
                .containsExactly(Verdict.NOT_JUDGED, Verdict.PASS, Verdict.WATCH, Verdict.FAIL);
    }

    /**
     * The faults that were seen: 0.01 within a minute is 14 a day; and of two readings of one instant the second had no
     * rate at all.
     */
    @Example
    void aRateIsTakenFromWhatStoodBeforeAPairOfReadings() {
        LimitLayers limits = layers("rate +0.5/+1 mm/s a day");
        double minute = 1 / 1_440.0;
        List<TimedValue> pair =
                List.of(new TimedValue(day(0), 2), new TimedValue(day(10), 2), new TimedValue(day(10 + minute), 2.01));
        assertThat(verdicts(judge(pair, limits, Baselines.FIRST_READINGS, List.of())))
                .containsExactly(Verdict.NOT_JUDGED, Verdict.PASS, Verdict.PASS);
        List<TimedValue> jump =
                List.of(new TimedValue(day(0), 2), new TimedValue(day(2), 5), new TimedValue(day(2), 5));
        assertThat(verdicts(judge(jump, limits, Baselines.FIRST_READINGS, List.of())))
                .as("each of the two shows the jump")
                .containsExactly(Verdict.NOT_JUDGED, Verdict.FAIL, Verdict.FAIL);
        List<TimedValue> edge = List.of(
                new TimedValue(day(0), 2),
                new TimedValue(day(0.5), 2.2),
                new TimedValue(day(0.5).plusMillis(1), 2.2),
                new TimedValue(day(0.99), 2.9));
        assertThat(judge(edge, limits, Baselines.FIRST_READINGS, List.of()).judged())
                .extracting(one -> one.outcome().verdict())
                .as("half a day is long enough; the last is compared with the first")
                .containsExactly(Verdict.NOT_JUDGED, Verdict.PASS, Verdict.PASS, Verdict.WATCH);
        assertThat(judge(pair.subList(1, 3), limits, Baselines.FIRST_READINGS, List.of())
                        .judged()
                        .get(1)
                        .outcome()
                        .remark())
                .isEqualTo(Sentence.of("limit.noReadingBefore"));
    }

    @Example
    void whatWasPastOneLimitIsNotPastTheNext() {
        LimitLayers limits =
                layers("-/4 mm/s, hysteresis 1 mm/s || [from %s] -/6 mm/s, hysteresis 1 mm/s".formatted(day(1.5)));
        assertThat(verdicts(judge(daily(5, 3.5, 5.5), limits, Baselines.FIRST_READINGS, List.of())))
                .containsExactly(Verdict.FAIL, Verdict.FAIL, Verdict.PASS);
    }

    @Example
    void sistersCountAsTheyWereThenAndNotForEver() {
        List<TimedValue> values =
                List.of(new TimedValue(day(0), 2), new TimedValue(day(1), 2), new TimedValue(day(150), 2));
        List<List<TimedValue>> sisters = List.of(
                List.of(new TimedValue(day(1), 1), new TimedValue(day(2), 50)), List.of(new TimedValue(day(0.5), 1.2)));
        List<SeriesJudge.Judged> judged = judge(values, layers("sisters +50/+100 %"), Baselines.FIRST_READINGS, sisters)
                .judged();
        assertThat(judged.get(0).outcome().remark()).isEqualTo(Sentence.of("limit.noSister"));
        assertThat(judged.get(1).outcome().verdict()).isEqualTo(Verdict.WATCH);
        assertThat(judged.get(1).outcome().bounds().get(0).watch().high()).isEqualTo(1.5 * 1.1);
        assertThat(judged.get(2).outcome().verdict())
                .as("their readings are too old")
                .isEqualTo(Verdict.NOT_JUDGED);
    }

    @Property
    void whatComesLaterNeverChangesAVerdict(
            @ForAll @Size(min = 2, max = 30) List<@DoubleRange(min = 0, max = 8) Double> values) {
        LimitLayers limits = layers(
                "4/6 mm/s & baseline +50/+100 %% & rate ±1/±2 mm/s a day & scatter +3/+5 MAD, hysteresis 0.3 mm/s || [from %s] 3/5 mm/s"
                        .formatted(day(12)));
        Baselines baselines = new Baselines(List.of(
                new Baselines.Start(day(7), Optional.empty()), new Baselines.Start(day(20), Optional.of(day(24)))));
        List<TimedValue> all =
                daily(values.stream().mapToDouble(Double::doubleValue).toArray());
        List<Verdict> whole = verdicts(judge(all, limits, baselines, List.of()));
        int half = all.size() / 2;
        assertThat(verdicts(judge(all.subList(0, half), limits, baselines, List.of())))
                .isEqualTo(whole.subList(0, half));
    }

    @Property
    void withHysteresisThereAreNeverMoreChangesOfVerdict(
            @ForAll @Size(min = 2, max = 40) List<@DoubleRange(min = 3, max = 6) Double> values) {
        List<TimedValue> all =
                daily(values.stream().mapToDouble(Double::doubleValue).toArray());
        long plain = changes(verdicts(judge(all, layers("-/4.5 mm/s"), Baselines.FIRST_READINGS, List.of())));
        long calm = changes(
                verdicts(judge(all, layers("-/4.5 mm/s, hysteresis 0.5 mm/s"), Baselines.FIRST_READINGS, List.of())));
        assertThat(calm).isLessThanOrEqualTo(plain);
    }

    private static long changes(List<Verdict> verdicts) {
        long changes = 0;
        for (int i = 1; i < verdicts.size(); i++) {
            changes += verdicts.get(i) == verdicts.get(i - 1) ? 0 : 1;
        }
        return changes;
    }

    @Example
    void twoHundredThousandValuesAreJudgedAtOnce() {
        double[] many = new double[200_000];
        java.util.Arrays.setAll(many, i -> i % 7);
        List<TimedValue> values = new ArrayList<>();
        for (double value : many) {
            values.add(new TimedValue(START.plus(Duration.ofMinutes(values.size())), value));
        }
        LimitLayers limits = layers("baseline +50/+100 % & rate ±1000/±20000 mm/s a day");
        assertThat(verdicts(judge(values, limits, Baselines.FIRST_READINGS, List.of())))
                .hasSize(200_000);
    }
}
