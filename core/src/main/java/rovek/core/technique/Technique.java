package rovek.core.technique;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.Capture;
import rovek.core.wording.Sentence;

/** A way of measuring: the unit by which Rovek grows. An implementation is immutable and safe for many threads. */
public interface Technique {

    /** As stored and as an instrument names it, e.g. {@code vibration}. */
    String id();

    String name();

    /** What a technique is called, by its id: also one that is not known here. */
    static Sentence called(String id) {
        return Sentence.named("names.technique:" + id, id);
    }

    /** All settings, in the order they are shown. */
    List<SettingDefinition> settings();

    /** What its settings are called among all techniques', see {@link SettingDefinition#called}. */
    default String settingGroup() {
        return "setting:" + id() + ".";
    }

    /** @throws IllegalArgumentException for a setting it does not have */
    default SettingDefinition setting(String key) {
        return settings().stream()
                .filter(setting -> setting.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("%s has no setting \"%s\".".formatted(name(), key)));
    }

    /** Ready-made checks to choose from, the most usual first. */
    List<Preset> presets();

    /**
     * A ready-made check.
     *
     * @param settings those that differ from the defaults
     */
    record Preset(String name, Map<String, String> settings) {}

    /** The results these settings yield, the leading one first; empty where captures are only kept and shown. */
    List<ResultDefinition> results(SettingValues settings);

    /** Every result it can yield under any settings. */
    List<ResultDefinition> everyResult();

    /** @throws IllegalArgumentException for a result it never yields */
    default ResultDefinition result(String id) {
        return everyResult().stream()
                .filter(result -> result.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("%s yields no \"%s\".".formatted(name(), id)));
    }

    /** A short name for a check made this way, e.g. "Velocity 10–1000 Hz". */
    String checkName(SettingValues settings);

    StopDemand demand(SettingValues settings);

    /**
     * Computes results, curves and remarks. A condition that is not met becomes a remark, never a made-up number.
     *
     * @throws IllegalArgumentException when the capture is of a kind this technique does not accept
     */
    Analysis analyse(Capture capture, SettingValues settings);

    /** How its settings name a sensor; empty where it needs none. */
    default Optional<SensorUse> sensorUse() {
        return Optional.empty();
    }

    /** How a person writes its reading down without any instrument; empty where it takes one. */
    default Optional<ByHand> byHand() {
        return Optional.empty();
    }

    /**
     * Whether a leading result of nothing means that nothing was measured; elsewhere zero is a value like any other.
     */
    default boolean zeroIsNothing() {
        return false;
    }

    /** Limits that a standard names for what has this nameplate; none by default. */
    default List<LimitProposal> proposals(SettingValues settings, Nameplate plate) {
        return List.of();
    }

    /** What a nameplate makes known to this technique beforehand; nothing by default. */
    default List<Characteristic> characteristics(Nameplate plate) {
        return List.of();
    }

    /** In which ways its captures can be looked at, whatever they are judged by; none by default. */
    default List<SettingDefinition> looks() {
        return List.of();
    }

    /**
     * All there is to draw of a capture: what the analysis drew, and what only somebody who looks closely wants.
     *
     * @param look values of {@link #looks}
     */
    default List<Curve> curves(Capture capture, SettingValues settings, SettingValues look) {
        return analyse(capture, settings).curves();
    }

    /** What a capture shows beside its results, for what has this nameplate; nothing by default. Never a verdict. */
    default List<Finding> findings(Capture capture, SettingValues settings, Nameplate plate) {
        return List.of();
    }

    /** Checks given values and fills in defaults. */
    default SettingValues settingsOf(Map<String, String> given) {
        return SettingValues.of(settingGroup(), settings(), given);
    }

    /** Whether two checks set alike may stand at one point: only where what tells them apart is still to be typed. */
    default boolean mayStandTwice(SettingValues settings) {
        return false;
    }

    /**
     * Settings that a capture suggests by itself where no check says how it was made, key to value; none by default.
     */
    default Map<String, String> suggestedBy(Capture capture) {
        return Map.of();
    }

    /**
     * Why values that are sound by themselves would not measure what is expected of them, a sentence each: refused
     * where they are set. What was set before a method learnt better stays readable, and its readings say what they
     * lack.
     */
    default List<Sentence> unsuited(SettingValues settings) {
        return List.of();
    }

    default Map<String, String> defaults() {
        return settings().stream()
                .collect(Collectors.toMap(
                        SettingDefinition::key,
                        SettingDefinition::defaultValue,
                        (a, b) -> a,
                        java.util.LinkedHashMap::new));
    }
}
