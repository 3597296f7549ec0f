package rovek.core.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.wording.Sentence;

class LoggerSetupTest {

    private final SetupForm form = new LoggerSetup();

    private static final Map<String, String> LEVEL = Map.of("name", "Tank level", "unit", "m", "low", "0", "high", "6");

    private List<String> faulty(Map<String, String> values, List<Map<String, String>> rows) {
        return form.faults(new SetupContent(values, rows)).stream()
                .map(SetupFault::field)
                .toList();
    }

    @Example
    void whatIsNotSaidIsAsUsualAndWhatIsNotAskedForIsLeftOut() {
        SetupContent content = form.completed(new SetupContent(
                Map.of("startAt", "noon", "nonsense", "1"),
                List.of(Map.of("name", "Oven", "input", "thermocouple K", "unit", "°F"))));
        assertThat(content.values())
                .containsExactlyInAnyOrderEntriesOf(
                        Map.of("intervalSeconds", "10", "start", "at once", "stop", "when told to"));
        assertThat(content.rows()).containsExactly(Map.of("name", "Oven", "input", "thermocouple K"));
        assertThat(form.faults(content)).isEmpty();
    }

    @Example
    void everythingWrongIsToldAtOnceWithItsField() {
        Map<String, String> values = Map.of("intervalSeconds", "0", "start", "at a time", "stop", "whenever");
        assertThat(faulty(values, List.of(LEVEL, Map.of("name", "B", "low", "a bit"))))
                .containsExactly("intervalSeconds", "startAt", "stop", "rows.1.low");
        assertThat(faulty(Map.of(), List.of())).containsExactly("rows");
    }

    @Example
    void fieldsThatContradictEachOtherAreTold() {
        Map<String, String> values =
                new TreeMap<>(Map.of("intervalSeconds", "600", "stop", "after a time", "stopAfterMinutes", "9.9"));
        values.putAll(Map.of("start", "when a channel passes a value", "startChannel", "3"));
        List<Map<String, String>> rows = List.of(LEVEL, Map.of("name", "tank LEVEL", "low", "4", "high", "4"));
        assertThat(faulty(values, rows))
                .containsExactlyInAnyOrder("rows.1.name", "rows.1.high", "startChannel", "stopAfterMinutes");
    }

    @Property(tries = 100)
    void memoryIsThatOfEverySampleOfEveryChannel(
            @ForAll @IntRange(min = 1, max = 8) int channels,
            @ForAll @IntRange(min = 1, max = 600) int interval,
            @ForAll @IntRange(min = 1, max = 500) int intervals) {
        List<Map<String, String>> rows = java.util.stream.IntStream.range(0, channels)
                .mapToObj(i -> Map.of("name", "Channel " + i))
                .toList();
        String minutes = String.valueOf(interval * intervals / 60.0);
        SetupContent byTime = new SetupContent(
                Map.of(
                        "intervalSeconds",
                        String.valueOf(interval),
                        "stop",
                        "after a time",
                        "stopAfterMinutes",
                        minutes),
                rows);
        SetupContent byCount = new SetupContent(
                Map.of(
                        "intervalSeconds",
                        String.valueOf(interval),
                        "stop",
                        "after a number of samples",
                        "stopAfterSamples",
                        String.valueOf(intervals + 1)),
                rows);
        long expected = 1_024 + (intervals + 1L) * (8 + 4L * channels);
        assertThat(form.needs(byCount).memoryBytes()).hasValue(expected);
        assertThat(form.needs(byTime).memoryBytes())
                .as("a sample at the start and after every interval")
                .hasValue(expected);
    }

    @Example
    void whatWillHappenIsSaid() {
        SetupContent content = new SetupContent(
                Map.of("intervalSeconds", "60", "stop", "after a time", "stopAfterMinutes", "1500"), List.of(LEVEL));
        assertThat(form.needs(content).sentence())
                .isEqualTo(Sentence.of(
                        "setup.runOf", "channels", 1, "interval", "60", "samples", 1501L, "length", "1 d 1 h"));
        assertThat(form.needs(new SetupContent(Map.of(), List.of(LEVEL, LEVEL))).sentence())
                .hasToString("setup.runWithoutEnd {channels=2, interval=10, stop=when told to}");
    }
}
