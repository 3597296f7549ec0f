package rovek.core.plant.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.TagAndName;
import rovek.core.plant.template.Template;
import rovek.core.wording.Sentence;

/** What one row of a table says, and what is wrong with it. */
final class RowReading {

    private final TableRow row;
    private final List<Sentence> faults = new ArrayList<>();
    private final Optional<Template> template;
    private final List<ImportKnowledge.ReadyMade> checks = new ArrayList<>();

    RowReading(TableRow written, ImportKnowledge knowledge) {
        Map<String, String> cells = new HashMap<>(written.cells());
        cells.replaceAll((column, text) -> Facet.isValue(column) ? knowledge.kept(column, text) : text);
        row = new TableRow(written.number(), written.indent(), cells);
        String templateName = row.cell(Column.TEMPLATE);
        template = templateName.isEmpty() ? Optional.empty() : knowledge.template(templateName);
        if (!templateName.isEmpty() && template.isEmpty()) {
            fault(Sentence.of("plant.noTemplate", "name", templateName));
        }
        for (String name : row.cell(Column.CHECKS).split(";")) {
            if (!name.isBlank()) {
                knowledge
                        .check(name.strip())
                        .ifPresentOrElse(
                                checks::add, () -> fault(Sentence.of("plant.noReadyMade", "name", name.strip())));
            }
        }
        row.cells().forEach((column, value) -> {
            if (Facet.isValue(column) || column.equals(Facet.CLASS) || column.equals(Facet.TECHNIQUE)) {
                knowledge.fault(column, value).ifPresent(this::fault);
            }
        });
    }

    void fault(Sentence sentence) {
        faults.add(sentence);
    }

    List<Sentence> faults() {
        return faults;
    }

    boolean isSound() {
        return faults.isEmpty();
    }

    Optional<Template> template() {
        return template;
    }

    List<ImportKnowledge.ReadyMade> checks() {
        return checks;
    }

    Optional<UUID> id() {
        return row.cell(Column.ID).isEmpty() ? Optional.empty() : uuid(Column.ID);
    }

    Optional<UUID> uuid(String column) {
        try {
            return Optional.of(UUID.fromString(row.cell(column)));
        } catch (IllegalArgumentException wrong) {
            fault(Sentence.of("plant.notAnId", "text", row.cell(column)));
            return Optional.empty();
        }
    }

    /**
     * @param parent empty for the plant itself
     * @param present level of the node that is there already
     */
    Optional<Level> level(Optional<Level> parent, Optional<Level> present) {
        String word = row.cell(Column.LEVEL);
        if (!word.isEmpty()) {
            try {
                return Optional.of(Level.valueOf(word.toUpperCase(Locale.ROOT)));
            } catch (IllegalArgumentException wrong) {
                fault(Sentence.of("plant.notALevel", "text", word));
                return Optional.empty();
            }
        }
        if (present.isPresent()) {
            return present;
        }
        if (template.isPresent()) {
            return Optional.of(template.get().level());
        }
        if (parent.isEmpty()) {
            return Optional.of(Level.CLIENT);
        }
        if (parent.get() == Level.CHECK) {
            fault(Sentence.of("plant.checkHoldsNothing"));
            return Optional.empty();
        }
        return Optional.of(parent.get().usualChild());
    }

    void requireFits(Level level, Optional<Level> parent) {
        boolean fits = parent.isEmpty() ? level == Level.CLIENT : parent.get().mayHold(level);
        if (!fits) {
            fault(level.misplacedIn(parent));
        }
        if (level != Level.CHECK
                && template.isEmpty()
                && tag(level).isEmpty()
                && name(level).isEmpty()) {
            fault(Sentence.of("plant.neitherTagNorName"));
        }
        if (tag(level).length() > Node.LONGEST_NAME || name(level).length() > Node.LONGEST_NAME) {
            fault(Sentence.of("plant.longName", "most", Node.LONGEST_NAME));
        }
        if (level == Level.CHECK && technique().isEmpty()) {
            fault(Sentence.of("plant.checkOfNothing"));
        }
    }

    private Optional<TagAndName> tagAndName(Level level) {
        boolean mayBeOne = level.isTagged()
                && !row.cells().containsKey(Column.ID)
                && row.cell(Column.TAG).isEmpty();
        return mayBeOne ? TagAndName.of(row.cell(Column.NAME)) : Optional.empty();
    }

    String tag(Level level) {
        return tagAndName(level).map(TagAndName::tag).orElse(row.cell(Column.TAG));
    }

    String name(Level level) {
        return tagAndName(level).map(TagAndName::name).orElse(row.cell(Column.NAME));
    }

    String label() {
        return (row.cell(Column.TAG) + " " + row.cell(Column.NAME)).strip();
    }

    private String technique() {
        return checks.isEmpty() ? row.cell(Column.TECHNIQUE) : checks.get(0).technique();
    }

    /** Which facets the table speaks of at all; a blank cell of those takes the value away. */
    List<String> facetColumns(Set<String> columns) {
        return columns.stream()
                .filter(column -> Facet.isValue(column)
                        || column.equals(Facet.TAG)
                        || column.equals(Facet.NAME)
                        || column.equals(Facet.CLASS)
                        || column.equals(Facet.TECHNIQUE)
                        || column.equals(Facet.STAMP))
                .toList();
    }

    Map<String, String> facets(Level level, Set<String> columns) {
        Map<String, String> facets = new LinkedHashMap<>();
        if (level == Level.CHECK && !checks.isEmpty()) {
            checks.get(0).settings().forEach((key, value) -> facets.put(Facet.setting(technique(), key), value));
        }
        for (String column : facetColumns(columns)) {
            put(facets, column, row.cell(column));
        }
        put(facets, Facet.TAG, tag(level));
        if (tagAndName(level).isPresent()) {
            facets.remove(Facet.NAME);
            put(facets, Facet.NAME, name(level));
        }
        if (level == Level.CHECK) {
            put(facets, Facet.TECHNIQUE, technique());
        }
        return facets;
    }

    private static void put(Map<String, String> facets, String key, String value) {
        if (!value.isEmpty()) {
            facets.put(key, value);
        }
    }

    /** What is worth saying of a new row. */
    List<Sentence> remarks(int rows) {
        if (template.isPresent()) {
            return List.of(Sentence.of(
                    "plant.rowFromTemplate", "template", template.get().name(), "rows", rows));
        }
        return checks.isEmpty() || rows < 2
                ? List.of()
                : List.of(Sentence.of("plant.rowWithChecks", "checks", rows - 1));
    }
}
