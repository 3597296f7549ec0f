package rovek.server.base.table;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;

/**
 * Numbers and words in rows, to be taken along.
 *
 * @param name of the file, without its ending
 * @param headings with the units
 * @param count how many rows there are
 * @param rows makes the rows one after the other: nothing has to hold them all
 */
public record NumberTable(String name, List<String> headings, long count, Rows rows) {

    /** Gives every row, in order, to whoever asks. */
    public interface Rows {
        void into(Consumer<Object[]> row);
    }

    public NumberTable {
        headings = List.copyOf(headings);
    }

    /** Columns of equal or unequal length side by side; a cell is left empty where a column has no number. */
    public static NumberTable ofColumns(String name, List<String> headings, List<double[]> columns) {
        int count = columns.stream().mapToInt(column -> column.length).max().orElse(0);
        return new NumberTable(name, headings, count, row -> {
            for (int i = 0; i < count; i++) {
                int at = i;
                row.accept(columns.stream()
                        .map(column -> at < column.length && Double.isFinite(column[at]) ? column[at] : null)
                        .toArray());
            }
        });
    }

    /** The places of a rising axis that lie within a stretch. */
    public static int[] within(double[] axis, double from, double to) {
        int first = Arrays.binarySearch(axis, from);
        first = first < 0 ? -first - 1 : first;
        int last = Arrays.binarySearch(axis, to);
        last = last < 0 ? -last - 1 : last + 1;
        return new int[] {first, Math.max(first, last)};
    }
}
