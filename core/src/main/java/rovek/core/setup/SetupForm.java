package rovek.core.setup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;

/** A kind of set-up: what it asks for, and what is wrong with what was answered. An implementation is immutable. */
public interface SetupForm {

    /** What the fields are called among all set-ups', see {@link rovek.core.technique.SettingDefinition#called}. */
    String FIELDS = "field:";

    /** As stored and as an instrument names it, e.g. {@code logger}. */
    String id();

    String name();

    /** The fields, in the order they are shown. */
    List<SetupField> fields();

    /** What a row of the repeated part is called, e.g. "Channel". */
    String rowName();

    List<SetupField> rowFields();

    int mostRows();

    /** What no single field knows to be wrong; every field by itself is right already. */
    List<SetupFault> contradictions(SetupContent content);

    /** What it asks of an instrument; only for a content without faults. */
    SetupNeeds needs(SetupContent content);

    /** Whether an instrument is loaded with it; else Rovek itself goes by it. */
    default boolean isLoaded() {
        return true;
    }

    /** The content with defaults filled in, and without what is not asked for or not known. */
    default SetupContent completed(SetupContent content) {
        return new SetupContent(
                completed(fields(), content.values()),
                content.rows().stream().map(row -> completed(rowFields(), row)).toList());
    }

    private static Map<String, String> completed(List<SetupField> fields, Map<String, String> given) {
        Map<String, String> all = new LinkedHashMap<>();
        for (SetupField field : fields) {
            if (field.isAsked(all)) {
                all.put(
                        field.key(),
                        given.getOrDefault(field.key(), field.definition().defaultValue())
                                .strip());
            }
        }
        return all;
    }

    /** Everything that is wrong, at once. */
    default List<SetupFault> faults(SetupContent given) {
        SetupContent content = completed(given);
        List<SetupFault> faults = new ArrayList<>();
        fields().forEach(field -> check(field, content.values(), field.key(), Optional.empty(), faults));
        for (int i = 0; i < content.rows().size(); i++) {
            for (SetupField field : rowFields()) {
                check(field, content.rows().get(i), "rows.%d.%s".formatted(i, field.key()), Optional.of(i + 1), faults);
            }
        }
        if (content.rows().isEmpty() || content.rows().size() > mostRows()) {
            faults.add(new SetupFault(
                    "rows", Sentence.of("setup.rows", "most", mostRows(), "row", Entry.option(rowName()))));
        }
        return faults.isEmpty() ? contradictions(content) : faults;
    }

    private void check(
            SetupField field, Map<String, String> values, String key, Optional<Integer> row, List<SetupFault> faults) {
        if (values.containsKey(field.key())) {
            field.definition()
                    .fault(FIELDS, values.get(field.key()))
                    .map(why -> row.map(number -> Sentence.of(
                                    "setup.inRow", "row", Entry.option(rowName()), "number", number, "why", why))
                            .orElse(why))
                    .ifPresent(reason -> faults.add(new SetupFault(key, reason)));
        }
    }
}
