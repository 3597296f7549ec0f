package rovek.server.judging.reading;

import java.util.Optional;
import rovek.core.reading.ReadingIdentity;
import rovek.core.technique.Analysis;
import rovek.core.technique.SettingValues;
import rovek.link.packet.PackedReading;
import rovek.server.plant.tree.CheckView;

/**
 * A reading that was analysed and is ready to be stored.
 *
 * @param check where it belongs; empty for a loose one
 * @param settings it was analysed with
 */
public record PreparedReading(
        ReadingIdentity identity,
        PackedReading packed,
        Optional<CheckView> check,
        SettingValues settings,
        Analysis analysis) {}
