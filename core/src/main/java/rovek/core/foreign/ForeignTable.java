package rovek.core.foreign;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rovek.core.unit.DecimalMark;
import rovek.core.unit.WrittenUnit;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A table as some instrument or program wrote it: what stands above the heading is left out, a line of units below it
 * is taken as such.
 *
 * @param units symbol of each column, blank where the table names none
 */
public record ForeignTable(List<String> headings, List<String> units, List<Row> rows) {

    private static final int LOOKED_AT = 200;

    /**
     * One row.
     *
     * @param line in the file, from 1
     * @param cells as many as there are headings
     */
    public record Row(int line, List<String> cells) {}

    /**
     * @param lines cells of each line of the file
     * @throws Refused with a sentence, where there is no heading with rows below it
     */
    public static ForeignTable of(List<List<String>> lines) {
        int width = usualWidth(lines);
        int heading = 0;
        while (heading < lines.size() && !isHeading(lines.get(heading), width)) {
            heading++;
        }
        if (heading >= lines.size()) {
            throw new Refused(Sentence.of("foreign.noHeadings"));
        }
        List<String> headings = padded(lines.get(heading), width);
        int first = heading + 1;
        List<String> units = headings.stream().map(ForeignTable::unitOf).toList();
        if (first < lines.size() && isUnits(lines.get(first))) {
            units = merged(units, padded(lines.get(first), width));
            first++;
        }
        List<Row> rows = new ArrayList<>();
        for (int i = first; i < lines.size(); i++) {
            if (lines.get(i).stream().anyMatch(cell -> !cell.isBlank())) {
                rows.add(new Row(i + 1, padded(lines.get(i), width)));
            }
        }
        if (rows.isEmpty()) {
            throw new Refused(Sentence.of("foreign.noRows"));
        }
        return new ForeignTable(headings, units, List.copyOf(rows));
    }

    /** What most lines have, a single column being none. */
    private static int usualWidth(List<List<String>> lines) {
        Map<Integer, Integer> count = new HashMap<>();
        lines.stream()
                .limit(LOOKED_AT)
                .map(List::size)
                .filter(size -> size > 1)
                .forEach(size -> count.merge(size, 1, Integer::sum));
        return count.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(2);
    }

    /** Words in nearly every column, and no number or date. */
    private static boolean isHeading(List<String> cells, int width) {
        long words = cells.stream().filter(cell -> !cell.isBlank()).count();
        return cells.size() >= 2
                && words >= Math.max(2, width - 1)
                && cells.stream().noneMatch(ForeignTable::isData);
    }

    private static boolean isData(String cell) {
        return DecimalMark.POINT.read(cell).isPresent()
                || DecimalMark.COMMA.read(cell).isPresent()
                || isDate(cell);
    }

    static boolean isDate(String cell) {
        for (DateOrder order : DateOrder.values()) {
            if (order.read(cell).isPresent()) {
                return true;
            }
        }
        return false;
    }

    private static boolean isUnits(List<String> cells) {
        List<String> said = cells.stream().filter(cell -> !cell.isBlank()).toList();
        return !said.isEmpty()
                && said.stream().allMatch(cell -> WrittenUnit.find(bare(cell)).isPresent());
    }

    private static List<String> merged(List<String> fromHeadings, List<String> line) {
        List<String> units = new ArrayList<>();
        for (int i = 0; i < fromHeadings.size(); i++) {
            String own = WrittenUnit.find(bare(line.get(i)))
                    .map(unit -> unit.symbol())
                    .orElse("");
            units.add(own.isEmpty() ? fromHeadings.get(i) : own);
        }
        return units;
    }

    private static String bare(String cell) {
        return cell.replaceAll("[\\[\\]()]", "").strip();
    }

    /** The unit a heading names: in brackets, behind a slash or comma, or as its last word. */
    private static String unitOf(String heading) {
        String text = heading.strip();
        Optional<String> named;
        if (text.endsWith("]")) {
            named = behind(text.substring(0, text.length() - 1), "[");
        } else if (text.endsWith(")")) {
            named = behind(text.substring(0, text.length() - 1), "(");
        } else {
            named = behind(text, ",").or(() -> behind(text, " / ")).or(() -> lastWord(text));
        }
        return named.flatMap(WrittenUnit::find).map(unit -> unit.symbol()).orElse("");
    }

    private static Optional<String> behind(String text, String mark) {
        int at = text.lastIndexOf(mark);
        return at < 0
                ? Optional.empty()
                : Optional.of(text.substring(at + mark.length()).strip());
    }

    /** A single letter is a name as often as a unit. */
    private static Optional<String> lastWord(String text) {
        return behind(text, " ").filter(word -> word.length() > 1);
    }

    private static List<String> padded(List<String> cells, int width) {
        List<String> padded = new ArrayList<>(cells.subList(0, Math.min(width, cells.size())));
        padded.addAll(Collections.nCopies(width - padded.size(), ""));
        return padded.stream().map(cell -> cell == null ? "" : cell.strip()).toList();
    }

    /** By what a table like this is known again: its headings, whatever their case. */
    public String signature() {
        return String.join("|", headings).toLowerCase(Locale.ROOT);
    }

    /** What is not blank in a column. */
    List<String> cells(int column) {
        return rows.stream()
                .map(row -> row.cells().get(column))
                .filter(cell -> !cell.isBlank())
                .toList();
    }
}
