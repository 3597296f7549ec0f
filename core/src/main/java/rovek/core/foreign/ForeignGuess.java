package rovek.core.foreign;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import rovek.core.foreign.ForeignColumn.Use;
import rovek.core.unit.DecimalMark;
import rovek.core.unit.WrittenUnit;

/**
 * What a foreign table most likely means, by its headings and by what stands below them.
 *
 * @param marks the decimal marks all of its numbers could be written with; a choice where there are two
 * @param orders the orders all of its dates could be written in; a choice where there are several
 */
public record ForeignGuess(List<ForeignColumn> columns, Set<DecimalMark> marks, Set<DateOrder> orders) {

    private static final Pattern TAG = Pattern.compile("(?i).*\\b(tag|asset|machine|equipment|device)\\b.*");
    private static final Pattern POINT = Pattern.compile("(?i).*\\b(point|location|position|place)\\b.*");
    private static final Pattern NOTE = Pattern.compile("(?i).*\\b(note|notes|remark|remarks|comment|comments)\\b.*");
    private static final Pattern UNIT = Pattern.compile("(?i)units?");

    /** @param isTag whether a text is the tag of an asset in the plant */
    public static ForeignGuess of(ForeignTable table, Predicate<String> isTag) {
        List<ForeignColumn> columns = new ArrayList<>();
        for (int i = 0; i < table.headings().size(); i++) {
            columns.add(column(table, i, isTag));
        }
        boolean hasDates =
                columns.stream().anyMatch(column -> column.use() == Use.DATE || column.use() == Use.DATE_AND_TIME);
        if (!hasDates) {
            columns.replaceAll(column -> column.use() == Use.TIME_OF_DAY ? ForeignColumn.of(Use.IGNORED) : column);
        }
        return new ForeignGuess(List.copyOf(columns), marks(table, columns), orders(table, columns));
    }

    private static ForeignColumn column(ForeignTable table, int at, Predicate<String> isTag) {
        List<String> cells = table.cells(at);
        String heading = table.headings().get(at);
        if (cells.isEmpty()) {
            return ForeignColumn.of(Use.IGNORED);
        }
        if (Arrays.stream(DateOrder.values())
                .anyMatch(order ->
                        cells.stream().allMatch(cell -> order.read(cell).isPresent()))) {
            return ForeignColumn.of(cells.stream().anyMatch(cell -> cell.contains(":")) ? Use.DATE_AND_TIME : Use.DATE);
        }
        if (cells.stream().allMatch(cell -> DateOrder.timeOfDay(cell).isPresent())) {
            return ForeignColumn.of(Use.TIME_OF_DAY);
        }
        if (cells.stream().filter(isTag).count() * 2 > cells.size()
                || TAG.matcher(heading).matches()) {
            return ForeignColumn.of(Use.TAG);
        }
        if (UNIT.matcher(heading).matches()
                && cells.stream().anyMatch(cell -> WrittenUnit.find(cell).isPresent())) {
            return ForeignColumn.of(Use.UNIT);
        }
        if (POINT.matcher(heading).matches()) {
            return ForeignColumn.of(Use.POINT);
        }
        if (NOTE.matcher(heading).matches()) {
            return ForeignColumn.of(Use.NOTE);
        }
        String unit = table.units().get(at);
        boolean isValue = !unit.isEmpty() || heading.toLowerCase(Locale.ROOT).matches("value|reading|result");
        return isValue && mostAreNumbers(cells) ? ForeignColumn.value(unit) : ForeignColumn.of(Use.IGNORED);
    }

    /** A gap in a log is often written as some word. */
    private static boolean mostAreNumbers(List<String> cells) {
        long numbers = cells.stream()
                .filter(cell -> DecimalMark.POINT.read(cell).isPresent()
                        || DecimalMark.COMMA.read(cell).isPresent())
                .count();
        return numbers * 2 >= cells.size();
    }

    private static Set<DecimalMark> marks(ForeignTable table, List<ForeignColumn> columns) {
        List<String> cells = cells(table, columns, Set.of(Use.VALUE));
        long point = cells.stream()
                .filter(cell -> DecimalMark.POINT.read(cell).isPresent())
                .count();
        long comma = cells.stream()
                .filter(cell -> DecimalMark.COMMA.read(cell).isPresent())
                .count();
        if (point != comma) {
            return EnumSet.of(point > comma ? DecimalMark.POINT : DecimalMark.COMMA);
        }
        boolean isSame =
                cells.stream().allMatch(cell -> DecimalMark.POINT.read(cell).equals(DecimalMark.COMMA.read(cell)));
        return isSame ? EnumSet.of(DecimalMark.POINT) : EnumSet.allOf(DecimalMark.class);
    }

    private static Set<DateOrder> orders(ForeignTable table, List<ForeignColumn> columns) {
        List<String> cells = cells(table, columns, Set.of(Use.DATE, Use.DATE_AND_TIME));
        Set<DateOrder> possible = EnumSet.noneOf(DateOrder.class);
        for (DateOrder order : DateOrder.values()) {
            boolean isNew = possible.stream()
                    .allMatch(other ->
                            cells.stream().anyMatch(cell -> !other.read(cell).equals(order.read(cell))));
            if (isNew && cells.stream().allMatch(cell -> order.read(cell).isPresent())) {
                possible.add(order);
            }
        }
        return possible;
    }

    private static List<String> cells(ForeignTable table, List<ForeignColumn> columns, Set<Use> uses) {
        List<String> cells = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            if (uses.contains(columns.get(i).use())) {
                cells.addAll(table.cells(i));
            }
        }
        return cells;
    }
}
