package rovek.core.setup;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rovek.core.wording.Sentence;

/** Every channel of a set-up has a name of its own, whatever its case. */
final class RowNames {

    private RowNames() {}

    static List<SetupFault> faults(SetupContent content) {
        List<SetupFault> faults = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (int i = 0; i < content.rows().size(); i++) {
            String name = SetupContent.value(content.rows().get(i), "name");
            if (name.isEmpty()) {
                faults.add(
                        new SetupFault("rows.%d.name".formatted(i), Sentence.of("setup.noChannelName", "row", i + 1)));
            } else if (!names.add(name.toLowerCase(Locale.ROOT))) {
                faults.add(
                        new SetupFault("rows.%d.name".formatted(i), Sentence.of("setup.channelTwice", "name", name)));
            }
        }
        return faults;
    }
}
