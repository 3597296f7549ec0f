package rovek.core.setup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A kind of set-up: what it asks for, and what is wrong with what was answered. An implementation is immutable. */
public interface SetupForm {

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
        fields().forEach(field -> check(field, content.values(), field.key(), "", faults));
        for (int i = 0; i < content.rows().size(); i++) {
            for (SetupField field : rowFields()) {
                check(
                        field,
                        content.rows().get(i),
                        "rows.%d.%s".formatted(i, field.key()),
                        "%s %d: ".formatted(rowName(), i + 1),
                        faults);
            }
        }
        if (content.rows().isEmpty() || content.rows().size() > mostRows()) {
            faults.add(new SetupFault(
                    "rows",
                    "There are 1 to %d %ss.".formatted(mostRows(), rowName().toLowerCase(java.util.Locale.ROOT))));
        }
        return faults.isEmpty() ? contradictions(content) : faults;
    }

    private static void check(
            SetupField field, Map<String, String> values, String key, String where, List<SetupFault> faults) {
        if (values.containsKey(field.key())) {
            field.definition()
                    .fault(values.get(field.key()))
                    .ifPresent(reason -> faults.add(new SetupFault(key, where + reason)));
        }
    }
}
