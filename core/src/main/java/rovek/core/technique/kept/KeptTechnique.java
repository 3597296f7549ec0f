package rovek.core.technique.kept;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rovek.core.reading.Capture;
import rovek.core.technique.Analysis;
import rovek.core.technique.ByHand;
import rovek.core.technique.Remark;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.StopDemand;
import rovek.core.technique.Technique;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A technique whose captures are planned, taken, kept and shown, but not reduced to results: nothing of it is ever
 * judged.
 *
 * @param accepted the kind of capture it takes
 * @param checkName of the one check it offers
 * @param memoryBytes room one capture takes on an instrument
 * @param seconds time one capture takes
 */
record KeptTechnique(
        String id, String name, String checkName, Class<? extends Capture> accepted, long memoryBytes, double seconds)
        implements Technique {

    @Override
    public List<SettingDefinition> settings() {
        return List.of();
    }

    @Override
    public List<Preset> presets() {
        return List.of(new Preset(checkName, Map.of()));
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return List.of();
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return List.of();
    }

    @Override
    public String checkName(SettingValues settings) {
        return checkName;
    }

    @Override
    public StopDemand demand(SettingValues settings) {
        return new StopDemand(memoryBytes, seconds, Set.of());
    }

    /** Words are the one thing that needs no instrument. */
    @Override
    public Optional<ByHand> byHand() {
        return id.equals(KeptTechniques.REMARK) ? Optional.of(new WrittenWords()) : Optional.empty();
    }

    @Override
    public Analysis analyse(Capture capture, SettingValues settings) {
        if (!accepted.isInstance(capture)) {
            throw new Refused(Sentence.of("reading.otherCapture", "technique", Technique.called(id)));
        }
        return new Analysis(
                List.of(), List.of(), List.of(new Remark("kept", Sentence.of("reading.keptAsTaken"), true)));
    }
}
