package rovek.core.reading;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * Values in columns of equal length: an as-found table, a string of cells, a parameter sheet, a run of several
 * channels.
 *
 * @param columns at least one, no two of the same name
 * @param markers moments that were marked while a run went on; empty for what is no run
 */
public record TableCapture(List<Column> columns, List<Marker> markers) implements Capture {

    /** The column of a run that holds the seconds since it began, never falling. */
    public static final String TIME = "time";

    public TableCapture {
        columns = List.copyOf(columns);
        markers = List.copyOf(markers);
        if (columns.isEmpty()) {
            throw new Refused(Sentence.of("reading.noColumns"));
        }
        Set<String> names = new HashSet<>();
        for (Column column : columns) {
            if (!names.add(column.name())) {
                throw new Refused(Sentence.of("reading.columnTwice", "column", column.name()));
            }
            if (column.size() != columns.get(0).size()) {
                throw new Refused(Sentence.of("reading.columnLengths"));
            }
        }
        columns.stream().filter(column -> column.name().equals(TIME)).forEach(TableCapture::requireInOrder);
    }

    /** A column of the table. */
    public sealed interface Column {

        String name();

        int size();
    }

    /**
     * A column of numbers.
     *
     * @param unit as the instrument writes it; blank for a mere number
     * @param values NaN where nothing was measured; the array is handed over, not copied
     */
    public record Numbers(String name, String unit, double[] values) implements Column {
        @Override
        public int size() {
            return values.length;
        }
    }

    /** A column of words. */
    public record Words(String name, List<String> values) implements Column {

        public Words {
            values = List.copyOf(values);
        }

        @Override
        public int size() {
            return values.size();
        }
    }

    /**
     * A moment of a run that the technician marked.
     *
     * @param atSeconds since the run began
     */
    public record Marker(double atSeconds, String text) {}

    private static void requireInOrder(Column time) {
        if (!(time instanceof Numbers numbers)) {
            throw new Refused(Sentence.of("reading.timesNotNumbers"));
        }
        for (int i = 0; i < numbers.values().length; i++) {
            // Two rows may share a time: a logger that counts whole seconds writes so.
            if (!Double.isFinite(numbers.values()[i]) || (i > 0 && numbers.values()[i] < numbers.values()[i - 1])) {
                throw new Refused(Sentence.of("reading.timesGoBack", "row", i + 1));
            }
        }
    }

    public int rows() {
        return columns.get(0).size();
    }

    /** The seconds of a run; empty for a table that is none. */
    public Optional<Numbers> time() {
        return columns.stream()
                .filter(column -> column.name().equals(TIME))
                .map(Numbers.class::cast)
                .findFirst();
    }
}
