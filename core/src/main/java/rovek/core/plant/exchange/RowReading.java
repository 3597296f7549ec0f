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

/** What one row of a table says, and what is wrong with it. */
final class RowReading {

    private final TableRow row;
    private final List<String> faults = new ArrayList<>();
    private final Optional<Template> template;
    private final List<ImportKnowledge.ReadyMade> checks = new ArrayList<>();

    RowReading(TableRow written, ImportKnowledge knowledge) {
        Map<String, String> cells = new HashMap<>(written.cells());
        cells.replaceAll((column, text) -> Facet.isValue(column) ? knowledge.kept(column, text) : text);
        row = new TableRow(written.number(), written.indent(), cells);
        String templateName = row.cell(Column.TEMPLATE);
        template = templateName.isEmpty() ? Optional.empty() : knowledge.template(templateName);
        if (!templateName.isEmpty() && template.isEmpty()) {
            fault("There is no template \"%s\".".formatted(templateName));
        }
        for (String name : row.cell(Column.CHECKS).split(";")) {
            if (!name.isBlank()) {
                knowledge
                        .check(name.strip())
                        .ifPresentOrElse(
                                checks::add,
                                () -> fault("\"%s\" is neither a template nor a ready-made check."
                                        .formatted(name.strip())));
            }
        }
        row.cells().forEach((column, value) -> {
            if (Facet.isValue(column) || column.equals(Facet.CLASS) || column.equals(Facet.TECHNIQUE)) {
                knowledge.fault(column, value).ifPresent(this::fault);
            }
        });
    }

    void fault(String sentence) {
        faults.add(sentence);
    }

    List<String> faults() {
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
            fault("\"%s\" is no id.".formatted(row.cell(column)));
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
                fault("\"%s\" is no level. Levels are client, site, area, system, asset, part, point and check."
                        .formatted(word));
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
            fault("A check holds nothing.");
            return Optional.empty();
        }
        return Optional.of(parent.get().usualChild());
    }

    void requireFits(Level level, Optional<Level> parent) {
        boolean fits = parent.isEmpty() ? level == Level.CLIENT : parent.get().mayHold(level);
        if (!fits) {
            String where = parent.isEmpty() ? "at the top" : "in " + article(word(parent.get()));
            fault("%s does not belong %s.".formatted(capital(article(word(level))), where));
        }
        if (level != Level.CHECK
                && template.isEmpty()
                && tag(level).isEmpty()
                && name(level).isEmpty()) {
            fault("It has neither tag nor name.");
        }
        if (tag(level).length() > Node.LONGEST_NAME || name(level).length() > Node.LONGEST_NAME) {
            fault("A name has at most %d characters.".formatted(Node.LONGEST_NAME));
        }
        if (level == Level.CHECK && technique().isEmpty()) {
            fault("It does not say what is checked.");
        }
    }

    private static String word(Level level) {
        return level.name().toLowerCase(Locale.ROOT);
    }

    private static String article(String word) {
        return ("aeiou".indexOf(word.charAt(0)) >= 0 ? "an " : "a ") + word;
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
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
    List<String> remarks(int rows) {
        if (template.isPresent()) {
            return List.of("from %s, %d rows".formatted(template.get().name(), rows));
        }
        return checks.isEmpty() || rows < 2
                ? List.of()
                : List.of("with %d %s".formatted(rows - 1, rows == 2 ? "check" : "checks"));
    }
}
