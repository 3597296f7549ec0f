package rovek.link.packet;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import rovek.core.entry.PlainText;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Column;
import rovek.core.reading.TableCapture.Numbers;
import rovek.core.reading.TableCapture.Words;

/** A table as comma-separated values (RFC 4180), UTF-8, a decimal point, an empty cell where nothing was measured. */
final class CsvTable {

    private static final int MOST_ROWS = 2_000_000;
    private static final int LONGEST_WORDS = 10_000;

    private CsvTable() {}

    /** A column as it is described beside the file. */
    record Heading(String name, String unit, boolean holdsNumbers) {}

    static byte[] write(TableCapture table) {
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(table.columns().stream().map(Column::name).toList());
            for (int row = 0; row < table.rows(); row++) {
                List<String> cells = new ArrayList<>();
                for (Column column : table.columns()) {
                    cells.add(cell(column, row));
                }
                printer.printRecord(cells);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String cell(Column column, int row) {
        if (column instanceof Numbers numbers) {
            double value = numbers.values()[row];
            return Double.isNaN(value) ? "" : String.valueOf(value);
        }
        return ((Words) column).values().get(row);
    }

    static List<Column> read(byte[] csv, List<Heading> headings, String where) throws PackageException {
        List<double[]> numbers = new ArrayList<>();
        List<List<String>> words = new ArrayList<>();
        List<CSVRecord> records;
        try (CSVParser parser = CSVParser.parse(new StringReader(new String(csv, StandardCharsets.UTF_8)), CSVFormat.RFC4180)) {
            records = parser.getRecords();
        } catch (IOException | IllegalStateException | UncheckedIOException e) {
            throw PackageException.damaged("the table of " + where + " cannot be read");
        }
        if (records.isEmpty() || records.size() > MOST_ROWS || !records.get(0).toList().equals(headings.stream().map(Heading::name).toList())) {
            throw PackageException.invalid(where, "the table's first row is not the columns that are described");
        }
        int rows = records.size() - 1;
        headings.forEach(heading -> {
            numbers.add(heading.holdsNumbers() ? new double[rows] : new double[0]);
            words.add(new ArrayList<>());
        });
        for (int row = 0; row < rows; row++) {
            CSVRecord cells = records.get(row + 1);
            if (cells.size() != headings.size()) {
                throw PackageException.invalid(where, "row %d of the table has %d cells, not %d".formatted(row + 1, cells.size(), headings.size()));
            }
            for (int c = 0; c < headings.size(); c++) {
                if (headings.get(c).holdsNumbers()) {
                    numbers.get(c)[row] = number(cells.get(c), where, row + 1);
                } else {
                    words.get(c).add(PlainText.without(cells.get(c), LONGEST_WORDS));
                }
            }
        }
        List<Column> columns = new ArrayList<>();
        for (int c = 0; c < headings.size(); c++) {
            Heading heading = headings.get(c);
            columns.add(heading.holdsNumbers() ? new Numbers(heading.name(), heading.unit(), numbers.get(c)) : new Words(heading.name(), words.get(c)));
        }
        return columns;
    }

    private static double number(String cell, String where, int row) throws PackageException {
        if (cell.isEmpty()) {
            return Double.NaN;
        }
        try {
            double value = Double.parseDouble(cell);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException notANumber) {
            // the sentence below names the cell
        }
        throw PackageException.invalid(where, "row %d of the table says \"%s\" where a number belongs".formatted(row, cell));
    }
}
