package rovek.link.packet;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import rovek.core.entry.PlainText;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TableCapture.Column;
import rovek.core.reading.TableCapture.Numbers;
import rovek.core.reading.TableCapture.Words;
import rovek.core.wording.Sentence;

/** A table as comma-separated values (RFC 4180), UTF-8, a decimal point, an empty cell where nothing was measured. */
final class CsvTable {

    private static final int MOST_ROWS = 2_000_000;
    private static final int MOST_CELLS = 4_500_000;
    private static final int LONGEST_WORDS = 10_000;

    private CsvTable() {}

    /** A column as it is described beside the file. */
    record Heading(String name, String unit, boolean holdsNumbers) {}

    static byte[] write(TableCapture table) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (CSVPrinter printer =
                new CSVPrinter(new OutputStreamWriter(bytes, StandardCharsets.UTF_8), CSVFormat.RFC4180)) {
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
        return bytes.toByteArray();
    }

    private static String cell(Column column, int row) {
        if (column instanceof Numbers numbers) {
            double value = numbers.values()[row];
            return Double.isNaN(value) ? "" : String.valueOf(value);
        }
        return ((Words) column).values().get(row);
    }

    static List<Column> read(byte[] csv, List<Heading> headings, String where) throws PackageException {
        List<DoubleStream.Builder> numbers =
                headings.stream().map(heading -> DoubleStream.builder()).toList();
        List<List<String>> words = headings.stream()
                .<List<String>>map(heading -> new ArrayList<>())
                .toList();
        try (CSVParser parser =
                CSVParser.parse(new ByteArrayInputStream(csv), StandardCharsets.UTF_8, CSVFormat.RFC4180)) {
            int row = -1;
            for (CSVRecord cells : parser) {
                if (row < 0
                        && !cells.toList()
                                .equals(headings.stream().map(Heading::name).toList())) {
                    break;
                }
                if (row >= MOST_ROWS || (row + 1L) * headings.size() > MOST_CELLS) {
                    throw PackageException.invalid(
                            where, Sentence.of("packet.tableTooLarge", "rows", MOST_ROWS, "cells", MOST_CELLS));
                }
                row++;
                if (row > 0) {
                    take(cells, row, headings, numbers, words, where);
                }
            }
            if (row < 0) {
                throw PackageException.invalid(where, Sentence.of("packet.tableHeading"));
            }
        } catch (IOException | IllegalStateException | UncheckedIOException e) {
            throw PackageException.damaged(Sentence.of("packet.tableUnreadable", "where", where));
        }
        List<Column> columns = new ArrayList<>();
        for (int c = 0; c < headings.size(); c++) {
            Heading heading = headings.get(c);
            columns.add(
                    heading.holdsNumbers()
                            ? new Numbers(
                                    heading.name(),
                                    heading.unit(),
                                    numbers.get(c).build().toArray())
                            : new Words(heading.name(), words.get(c)));
        }
        return columns;
    }

    private static void take(
            CSVRecord cells,
            int row,
            List<Heading> headings,
            List<DoubleStream.Builder> numbers,
            List<List<String>> words,
            String where)
            throws PackageException {
        if (cells.size() != headings.size()) {
            throw PackageException.invalid(
                    where,
                    Sentence.of("packet.rowLength", "row", row, "cells", cells.size(), "columns", headings.size()));
        }
        for (int c = 0; c < headings.size(); c++) {
            if (headings.get(c).holdsNumbers()) {
                numbers.get(c).add(number(cells.get(c), where, row));
            } else {
                words.get(c).add(PlainText.without(cells.get(c), LONGEST_WORDS));
            }
        }
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
        throw PackageException.invalid(where, Sentence.of("packet.cellNotANumber", "row", row, "cell", cell));
    }
}
