package rovek.core.technique.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rovek.core.entry.NamedRanges;
import rovek.core.reading.Capture;
import rovek.core.reading.TableCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.Curve;
import rovek.core.technique.Remark;
import rovek.core.technique.Result;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.StopDemand;
import rovek.core.technique.Technique;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What a logger recorded: several channels over hours or days. Where the check says between which values channels
 * should stay, it comes to the time during which at least one of them was outside; else it is kept and shown.
 */
public final class LoggedRun implements Technique {

    private static final String LIMITS = "channelLimits";
    private static final int MOST_CHANNELS = 16;
    private static final long MEMORY_BYTES = 2_000_000;
    private static final double SECONDS = 60;
    private static final NamedRanges CHANNEL_LIMITS = new NamedRanges(MOST_CHANNELS, true, Double.NEGATIVE_INFINITY);

    private static final ResultDefinition OUTSIDE = new ResultDefinition(
            "run.outside", "time outside limits", "outside", UnitCatalogue.MINUTE, Sense.HIGHER_IS_WORSE);

    @Override
    public String id() {
        return "run";
    }

    @Override
    public String name() {
        return "Run (data logger)";
    }

    @Override
    public List<SettingDefinition> settings() {
        return List.of(new SettingDefinition(LIMITS, "Channels stay within", "", "", CHANNEL_LIMITS));
    }

    @Override
    public List<Preset> presets() {
        return List.of(new Preset("Run", Map.of()));
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return limits(settings).isEmpty() ? List.of() : everyResult();
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return List.of(OUTSIDE);
    }

    @Override
    public String checkName(SettingValues settings) {
        return "Run";
    }

    @Override
    public StopDemand demand(SettingValues settings) {
        return new StopDemand(MEMORY_BYTES, SECONDS, Set.of());
    }

    /** By the channels' names, however they are written large and small. */
    private static Map<String, ChannelLimits> limits(SettingValues settings) {
        Map<String, ChannelLimits> limits = new LinkedHashMap<>();
        CHANNEL_LIMITS
                .read(settings.text(LIMITS))
                .forEach(one ->
                        limits.put(one.name().toLowerCase(Locale.ROOT), new ChannelLimits(one.low(), one.high())));
        return limits;
    }

    @Override
    public Analysis analyse(Capture capture, SettingValues settings) {
        if (!(capture instanceof TableCapture table)) {
            throw new Refused(Sentence.of("reading.notARun"));
        }
        Map<String, ChannelLimits> limits = limits(settings);
        List<Curve.Run> channels = channels(table, limits);
        List<Curve> curves = List.copyOf(channels);
        if (limits.isEmpty()) {
            return new Analysis(
                    List.of(), curves, List.of(new Remark("kept", Sentence.of("reading.noChannelLimits"), true)));
        }
        Set<String> recorded = channels.stream()
                .map(channel -> channel.id().toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
        List<String> missing = limits.keySet().stream()
                .filter(name -> !recorded.contains(name))
                .map("\"%s\""::formatted)
                .toList();
        if (!missing.isEmpty()) {
            return new Analysis(
                    List.of(),
                    curves,
                    List.of(new Remark(
                            "channel",
                            Sentence.of("reading.channelMissing", "channels", String.join(", ", missing)),
                            true)));
        }
        List<Excursions.Excursion> outside = new ArrayList<>();
        channels.forEach(channel ->
                outside.addAll(Excursions.of(Segments.of(channel.seconds(), channel.values()), channel.limits())));
        double minutes = Excursions.seconds(Excursions.joined(outside)) / 60;
        return new Analysis(List.of(new Result(OUTSIDE, new Amount(minutes, UnitCatalogue.MINUTE))), curves, List.of());
    }

    @SuppressWarnings("ReferenceEquality") // the very column that is the time, not one that reads the same
    private static List<Curve.Run> channels(TableCapture table, Map<String, ChannelLimits> limits) {
        List<Curve.Run> channels = new ArrayList<>();
        table.time()
                .ifPresent(time -> table.columns().forEach(column -> {
                    if (column instanceof TableCapture.Numbers channel && channel != time) {
                        channels.add(new Curve.Run(
                                channel.name(),
                                time.values(),
                                channel.values(),
                                channel.unit(),
                                limits.getOrDefault(channel.name().toLowerCase(Locale.ROOT), ChannelLimits.NONE)));
                    }
                }));
        return channels;
    }
}
