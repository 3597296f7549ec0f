package rovek.core.setup;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import rovek.core.entry.Entry;
import rovek.core.technique.SettingDefinition;
import rovek.core.wording.Sentence;

/** How a data logger records a run: which channels, how often, from when to when. */
public final class LoggerSetup implements SetupForm {

    private static final int MOST_CHANNELS = 8;
    private static final int BYTES_A_VALUE = 4;
    private static final int BYTES_A_TIME = 8;
    private static final int BYTES_A_RUN = 1_024;

    private static final String AT_A_TIME = "at a time";
    private static final String AT_A_VALUE = "when a channel passes a value";
    private static final String AFTER_A_TIME = "after a time";
    private static final String AFTER_SAMPLES = "after a number of samples";
    private static final String MEMORY_FULL = "when the memory is full";

    private static final Entry CHANNEL = new Entry.Number(1, MOST_CHANNELS);
    private static final Entry ANY_NUMBER = new Entry.Number(-1e9, 1e9);
    private static final Entry DIRECTION = new Entry.Choice(List.of("above", "below"));

    private static final List<SetupField> GENERAL_FIELDS = List.of(
            SetupField.always(
                    new SettingDefinition("intervalSeconds", "Interval", "s", "10", new Entry.Number(0.1, 86_400))),
            SetupField.always(new SettingDefinition(
                    "start", "Starts", "", "at once", new Entry.Choice(List.of("at once", AT_A_TIME, AT_A_VALUE)))),
            SetupField.when(
                    "start", AT_A_TIME, new SettingDefinition("startAt", "Start at", "", "", new Entry.Moment())),
            SetupField.when(
                    "start", AT_A_VALUE, new SettingDefinition("startChannel", "Start by channel", "", "1", CHANNEL)),
            SetupField.when(
                    "start",
                    AT_A_VALUE,
                    new SettingDefinition("startDirection", "Start when it is", "", "above", DIRECTION)),
            SetupField.when(
                    "start", AT_A_VALUE, new SettingDefinition("startValue", "Start value", "", "0", ANY_NUMBER)),
            SetupField.always(new SettingDefinition(
                    "stop",
                    "Stops",
                    "",
                    "when told to",
                    new Entry.Choice(List.of("when told to", AFTER_A_TIME, AFTER_SAMPLES, AT_A_VALUE, MEMORY_FULL)))),
            SetupField.when(
                    "stop",
                    AFTER_A_TIME,
                    new SettingDefinition(
                            "stopAfterMinutes", "Stop after", "min", "60", new Entry.Number(0.1, 527_040))),
            SetupField.when(
                    "stop",
                    AFTER_SAMPLES,
                    new SettingDefinition(
                            "stopAfterSamples", "Stop after", "samples", "1000", new Entry.Number(1, 10_000_000))),
            SetupField.when(
                    "stop", AT_A_VALUE, new SettingDefinition("stopChannel", "Stop by channel", "", "1", CHANNEL)),
            SetupField.when(
                    "stop",
                    AT_A_VALUE,
                    new SettingDefinition("stopDirection", "Stop when it is", "", "above", DIRECTION)),
            SetupField.when("stop", AT_A_VALUE, new SettingDefinition("stopValue", "Stop value", "", "0", ANY_NUMBER)));

    private static final String VOLTAGE = "0-10 V";
    private static final String MILLIVOLT = "±100 mV";
    private static final String CURRENT = "4-20 mA";

    private static final List<SetupField> CHANNEL_FIELDS = List.of(
            SetupField.always(new SettingDefinition("name", "Name", "", "", new Entry.Text(40))),
            SetupField.always(new SettingDefinition(
                    "input",
                    "Input",
                    "",
                    CURRENT,
                    new Entry.Choice(
                            List.of(CURRENT, VOLTAGE, MILLIVOLT, "Pt100", "thermocouple K", "thermocouple T")))),
            scaled("unit", "Unit", "", new Entry.Text(12)),
            scaled("low", "At the lower end", "0", ANY_NUMBER),
            scaled("high", "At the upper end", "100", ANY_NUMBER));

    /** Temperature inputs are in °C as they are; the others say what their ends mean. */
    private static SetupField scaled(String key, String name, String usual, Entry kind) {
        return new SetupField(
                new SettingDefinition(key, name, "", usual, kind), "input", Set.of(VOLTAGE, MILLIVOLT, CURRENT));
    }

    @Override
    public String id() {
        return "logger";
    }

    @Override
    public String name() {
        return "Data logger";
    }

    @Override
    public List<SetupField> fields() {
        return GENERAL_FIELDS;
    }

    @Override
    public String rowName() {
        return "Channel";
    }

    @Override
    public List<SetupField> rowFields() {
        return CHANNEL_FIELDS;
    }

    @Override
    public int mostRows() {
        return MOST_CHANNELS;
    }

    @Override
    public List<SetupFault> contradictions(SetupContent content) {
        List<SetupFault> faults = new ArrayList<>(RowNames.faults(content));
        for (int i = 0; i < content.rows().size(); i++) {
            Map<String, String> row = content.rows().get(i);
            if (row.containsKey("low")
                    && Double.parseDouble(SetupContent.value(row, "low"))
                            == Double.parseDouble(SetupContent.value(row, "high"))) {
                faults.add(new SetupFault(
                        "rows.%d.high".formatted(i),
                        Sentence.of("setup.emptyRange", "row", i + 1, "value", SetupContent.value(row, "low"))));
            }
        }
        for (String key : List.of("startChannel", "stopChannel")) {
            String channel = content.values().get(key);
            if (channel != null
                    && (Double.parseDouble(channel) % 1 != 0
                            || Double.parseDouble(channel) > content.rows().size())) {
                faults.add(new SetupFault(key, Sentence.of("setup.noChannel", "channel", channel)));
            }
        }
        String samples = content.values().get("stopAfterSamples");
        if (samples != null && Double.parseDouble(samples) % 1 != 0) {
            faults.add(new SetupFault("stopAfterSamples", Sentence.of("setup.wholeSamples", "samples", samples)));
        }
        if (content.values().containsKey("stopAfterMinutes") && seconds(content) < interval(content)) {
            faults.add(new SetupFault(
                    "stopAfterMinutes",
                    Sentence.of("setup.stopsAtOnce", "interval", content.value("intervalSeconds"))));
        }
        return faults;
    }

    private static double interval(SetupContent content) {
        return Double.parseDouble(content.value("intervalSeconds"));
    }

    private static double seconds(SetupContent content) {
        return 60 * Double.parseDouble(content.value("stopAfterMinutes"));
    }

    /** A sample is taken at the start and after every interval. */
    private static OptionalLong samples(SetupContent content) {
        return switch (content.value("stop")) {
            case AFTER_A_TIME -> OptionalLong.of((long) Math.floor(seconds(content) / interval(content) + 1e-9) + 1);
            case AFTER_SAMPLES -> OptionalLong.of((long) Double.parseDouble(content.value("stopAfterSamples")));
            default -> OptionalLong.empty();
        };
    }

    @Override
    public SetupNeeds needs(SetupContent given) {
        SetupContent content = completed(given);
        int channels = content.rows().size();
        OptionalLong samples = samples(content);
        String interval = content.value("intervalSeconds");
        if (samples.isEmpty()) {
            return new SetupNeeds(
                    "run",
                    OptionalLong.empty(),
                    Sentence.of(
                            "setup.runWithoutEnd",
                            "channels",
                            channels,
                            "interval",
                            interval,
                            "stop",
                            Entry.option(content.value("stop"))));
        }
        long bytes = BYTES_A_RUN + samples.getAsLong() * (BYTES_A_TIME + (long) BYTES_A_VALUE * channels);
        Duration length = Duration.ofMillis(Math.round(1000 * interval(content) * (samples.getAsLong() - 1)));
        return new SetupNeeds(
                "run",
                OptionalLong.of(bytes),
                Sentence.of(
                        "setup.runOf",
                        "channels",
                        channels,
                        "interval",
                        interval,
                        "samples",
                        samples.getAsLong(),
                        "length",
                        spoken(length)));
    }

    /** The two largest units, the smaller one left out where it is nothing. */
    private static String spoken(Duration length) {
        if (length.toDays() > 0) {
            return spoken(length.toDays(), "d", length.toHoursPart(), "h");
        }
        return length.toHours() > 0
                ? spoken(length.toHours(), "h", length.toMinutesPart(), "min")
                : spoken(length.toMinutes(), "min", length.toSecondsPart(), "s");
    }

    private static String spoken(long large, String largeUnit, int small, String smallUnit) {
        String first = large == 0 && small > 0 ? "" : large + " " + largeUnit;
        String second = small == 0 ? "" : small + " " + smallUnit;
        return (first + " " + second).strip();
    }
}
